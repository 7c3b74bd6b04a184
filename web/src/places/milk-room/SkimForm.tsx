import { isEmpty, type SkimOffer } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { NameField } from '../../parts/fields/NameField.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { massRange, percent } from '../../parts/words/milk-words.ts';

const TOOL_WORDS = {
  ladle: 'Wet the ladle and go round the edge. Stop when the cream runs thin and swirls.',
  baster:
    'For narrow necks: draw slowly from the top, round the edge, until it runs thin. Then take the baster apart and disinfect it.',
} as const;
const APART = 'apart';
const NEW_POT = 'new';

/** Lifts the layer: weighed or as computed, into a pot or kept apart. */
export function SkimForm(props: {
  readonly lot: Lot;
  readonly offer: SkimOffer;
  readonly pots: readonly Lot[];
  readonly onDone: (restId: string | null) => void;
}) {
  const { lot, offer, pots, onDone } = props;
  const units = useUnits();
  const asTyped = useAsTyped('weight');
  const [way, setWay] = useState<'computed' | 'weighed'>('computed');
  const [tool, setTool] = useState<keyof typeof TOOL_WORDS>('ladle');
  const creamOf = { ...lot.of, fatFraction: offer.creamFatFraction };
  const [weighed, setWeighed] = useState<TypedAmount | null>(() => asTyped(offer.creamKg, creamOf));
  const [into, setInto] = useState(pots[0]?.id ?? NEW_POT);
  const [name, setName] = useState(`Cream from ${lot.name}`);
  const [restName, setRestName] = useState(`Skimmed milk from ${lot.name}`);
  const amount = way === 'weighed' ? weighed : asTyped(offer.creamKg, creamOf);
  // More weighed than computed with the same fat risen is thinner; less is richer, as far as cream goes.
  const fat =
    amount === null
      ? offer.creamFatFraction
      : Math.min(
          0.6,
          Math.max(
            lot.of.fatFraction,
            way === 'weighed' && amount.massKg > offer.creamKg
              ? (offer.creamKg * offer.creamFatFraction +
                  (amount.massKg - offer.creamKg) * offer.restFatFraction) /
                  amount.massKg
              : offer.creamFatFraction,
          ),
        );
  const lift = async (): Promise<void> => {
    if (!amount) return;
    const cream = { lotId: ulid(), name: name.trim() };
    const rest = { lotId: ulid(), name: restName.trim() };
    const atMs = now();
    await record(
      lot.id,
      'milk-moved',
      {
        kind: 'skim',
        cream,
        rest,
        creamKg: amount.massKg,
        fatFraction: Math.max(0.02, fat),
        weighed: way === 'weighed',
        typed: way === 'weighed' ? amount.typed : null,
      },
      atMs,
    );
    if (into !== APART) {
      const pot = pots.find((p) => p.id === into);
      await record(
        cream.lotId,
        'milk-moved',
        {
          kind: 'pool',
          into: pot
            ? { lotId: pot.id, name: pot.name, place: pot.place }
            : { lotId: ulid(), name: 'Cream pot', place: 'cold' },
          massKg: amount.massKg,
          soured: lot.soured,
          typed: null,
        },
        atMs + 1,
      );
    }
    onDone(isEmpty(lot) ? null : rest.lotId);
  };
  return (
    <EntryForm label="Skim" onEntry={() => void lift()}>
      <Choices
        legend="Cream skimmed off"
        value={way}
        options={[
          { value: 'computed', label: `about ${massRange(offer.creamKg, offer.spread, units)}` },
          { value: 'weighed', label: 'weighed' },
        ]}
        onChange={setWay}
      />
      {way === 'weighed' && (
        <AmountField
          label="Cream"
          of={creamOf}
          by="weight"
          amount={weighed}
          check={(massKg) =>
            massKg > lot.has.massKg
              ? `Only ${units.mass(lot.has.massKg)} in this jar. If there is more, recount first.`
              : null
          }
          onAmount={setWeighed}
        />
      )}
      <p className="quiet">
        About {percent(fat)} fat. Do not jostle the jar. {TOOL_WORDS[tool]}
      </p>
      <Choices
        legend="Skim with"
        value={tool}
        options={[
          { value: 'ladle', label: 'a ladle' },
          { value: 'baster', label: 'a baster' },
        ]}
        onChange={setTool}
      />
      <NativeSelect
        label="Put the cream"
        value={into}
        data={[
          ...pots.map((p) => ({ value: p.id, label: `into ${p.name}` })),
          { value: NEW_POT, label: 'into a new cream pot' },
          { value: APART, label: 'into a separate jar' },
        ]}
        onChange={(e) => setInto(e.currentTarget.value)}
      />
      <NameField label="Name of the cream" value={name} onChange={setName} />
      <NameField label="Name of the skimmed milk" value={restName} onChange={setRestName} />
      <Button type="submit" h={72}>
        Save skimming
      </Button>
    </EntryForm>
  );
}
