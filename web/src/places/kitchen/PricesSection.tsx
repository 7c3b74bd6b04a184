import { PRODUCTS, readTypedNumber } from '@morning-crock/core';
import { PRODUCT_TAKES, PRODUCT_IDS, type KitchenSettings } from '@morning-crock/core/contract';
import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { priceFault, priceWeight } from '../../parts/words/price-words.ts';
import type { SectionProps } from './RowsSection.tsx';
import { SectionForm } from './SectionForm.tsx';

/** An amount of money, or none. */
function PriceField(props: {
  readonly label: string;
  /** Shown and typed per this many of what the price is stored by. */
  readonly per?: number;
  readonly value: number | null;
  readonly fault: string | null;
  readonly onValue: (value: number | null) => void;
}) {
  const { label, per = 1, value, onValue } = props;
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? (value === null ? '' : String(Math.round(value * per * 1000) / 1000));
  const fault = priceFault(shown);
  return (
    <TextInput
      label={label}
      value={shown}
      inputMode="decimal"
      autoComplete="off"
      maxLength={20}
      w={230}
      error={fault ?? props.fault}
      onChange={(event) => {
        const typed = event.currentTarget.value;
        setText(typed);
        const read = readTypedNumber(typed);
        // What is no price reaches the check as one that it does not take, so that it cannot be saved.
        onValue(typed.trim() === '' ? null : read.ok ? read.value / per : Number.NaN);
      }}
      onBlur={() => {
        if (fault === null) setText(null);
      }}
    />
  );
}

type Prices = KitchenSettings['prices'];
type Paid = Exclude<keyof Prices, 'shop'>;

const SHOP = PRODUCT_IDS.filter((id) => PRODUCT_TAKES[id] !== 'packet');

/** What things cost here, and what the shop asks: what a make costs is reckoned by them when it begins. */
export function PricesSection({ kitchenId, settings }: SectionProps) {
  const units = useUnits();
  const [unit, kg] = priceWeight(units);
  const paid: readonly (readonly [Paid, label: string, per: number])[] = [
    ['energyPerKwh', 'Burner energy, per kWh', 1],
    ['handsPerHour', 'Your time, per hour', 1],
    ['starterPerKg', `Bought starter, per ${unit}`, kg],
    ['packetEach', 'Dried culture, per packet', 1],
    ['saltPerKg', `Salt, per ${unit}`, kg],
    ['powderPerKg', `Milk powder, per ${unit}`, kg],
  ];
  return (
    <SectionForm
      kitchenId={kitchenId}
      section="prices"
      wide
      title="Costs"
      value={settings.prices}
      hint={`In ${units.money || 'your currency'}. Empty fields are not counted. Enter milk and cream prices in the Milk room. A batch keeps the prices it started with.`}
    >
      {(draft, set, fault) => (
        <>
          <div className="field-row">
            {paid.map(([key, label, per]) => (
              <PriceField
                key={key}
                label={label}
                per={per}
                value={draft[key]}
                fault={fault(key)}
                onValue={(value) => set({ ...draft, [key]: value })}
              />
            ))}
          </div>
          <h3>Shop prices, per {unit}</h3>
          <div className="field-row">
            {SHOP.map((product) => {
              const at = draft.shop.findIndex((s) => s.product === product);
              return (
                <PriceField
                  key={product}
                  label={PRODUCTS[product].label}
                  per={kg}
                  value={draft.shop[at]?.perKg ?? null}
                  fault={at < 0 ? null : fault(`shop.${at}.perKg`)}
                  onValue={(perKg) => {
                    const others = draft.shop.filter((s) => s.product !== product);
                    set({ ...draft, shop: perKg === null ? others : [...others, { product, perKg }] });
                  }}
                />
              );
            })}
          </div>
        </>
      )}
    </SectionForm>
  );
}
