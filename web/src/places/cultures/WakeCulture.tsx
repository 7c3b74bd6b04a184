import { isLive, WAKES_AT_C } from '@morning-crock/core';
import type { Culture, WakingPlan } from '@morning-crock/core/contract';
import { NativeSelect, TextInput } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';

const KINDS = ['dried-yogurt', 'dried-mesophilic'] as const;

/** Packets of the register that may be woken. */
export const packetsOf = (cultures: readonly Culture[]): Culture[] =>
  cultures.filter((c) => c.packet && isLive(c) && c.signs.length === 0);

/** A plan whose culture is this packet; null: a packet that is not listed. */
export function withPacket(plan: WakingPlan, packet: Culture | null): WakingPlan {
  const { packetLitres: _, ...before } = plan;
  const chosen = { ...before, cultureId: packet?.id ?? null };
  if (packet === null) return chosen;
  const kind = packet.kind === 'dried-yogurt' ? 'dried-yogurt' : 'dried-mesophilic';
  return {
    ...chosen,
    // What the packet says that it is meant for.
    ...(packet.packet && { packetLitres: packet.packet.statedLitres }),
    kind,
    celsius: WAKES_AT_C[kind],
    name: `Waking ${packet.name}`,
  };
}

/** Which dried culture is woken, and how it is kept warm. */
export function WakeCulture(props: {
  readonly plan: WakingPlan;
  readonly packets: readonly Culture[];
  readonly onPlan: (plan: WakingPlan) => void;
}) {
  const { plan, packets, onPlan } = props;
  const units = useUnits();
  const set = (part: Partial<WakingPlan>): void => onPlan({ ...plan, ...part });
  return (
    <section className="section" aria-labelledby="wake-what">
      <h2 id="wake-what">Dried culture</h2>
      {packets.length > 0 && (
        <NativeSelect
          label="Packet"
          value={plan.cultureId ?? ''}
          data={[
            ...packets.map((c) => ({ value: c.id, label: c.name })),
            { value: '', label: 'a packet not listed' },
          ]}
          onChange={(e) =>
            onPlan(withPacket(plan, packets.find((c) => c.id === e.currentTarget.value) ?? null))
          }
        />
      )}
      {plan.cultureId === null && (
        <Choices
          legend="Kind of culture"
          value={plan.kind}
          options={KINDS.map((k) => ({
            value: k,
            label: k === 'dried-yogurt' ? 'a yogurt culture' : 'a room-temperature culture',
          }))}
          onChange={(kind) => set({ kind, celsius: WAKES_AT_C[kind] })}
        />
      )}
      <TextInput
        label="Name"
        value={plan.name}
        maxLength={80}
        error={plan.name.trim() === '' ? 'Enter a name.' : null}
        onChange={(e) => set({ name: e.currentTarget.value })}
      />
      <StepSlider
        label="Soak in the fridge first"
        value={plan.soakH ?? 0}
        shown={plan.soakH ? `${plan.soakH} h` : 'no soak'}
        min={0}
        max={24}
        step={1}
        onChange={(soakH) => set({ soakH: soakH === 0 ? undefined : soakH })}
      />
      <StepSlider
        label="Incubate at"
        value={plan.celsius}
        shown={units.temperature(plan.celsius)}
        min={15}
        max={46}
        step={0.5}
        onChange={(celsius) => set({ celsius })}
      />
      <Choices
        legend="Between feeds"
        value={plan.restBetween}
        options={[
          { value: 'cold', label: 'rest in the fridge until convenient' },
          { value: 'warm', label: 'no rest, feed as soon as set' },
        ]}
        onChange={(restBetween) => set({ restBetween })}
      />
    </section>
  );
}
