import { Choices } from '../../parts/fields/Choices.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';

/** How fat some milk or cream is, as far as anybody knows; `null` while the number is half typed. */
export interface Fat {
  readonly known: boolean;
  readonly fraction: number | null;
}
export const UNKNOWN_FAT: Fat = { known: false, fraction: null };

/** Unknown, with the usual of its kind, or a number. */
export function FatField(props: {
  readonly fat: Fat;
  /** What is reckoned with while nobody knows. */
  readonly usual: number;
  readonly onFat: (fat: Fat) => void;
}) {
  const { fat, usual, onFat } = props;
  return (
    <>
      <Choices
        legend="Fat"
        value={fat.known ? 'known' : 'unknown'}
        options={[
          { value: 'unknown', label: `not known (typically ${(usual * 100).toFixed(1)} %)` },
          { value: 'known', label: 'known' },
        ]}
        onChange={(v) => onFat(v === 'known' ? { known: true, fraction: usual } : UNKNOWN_FAT)}
      />
      {fat.known && (
        <QuantityField
          label="Fat"
          value={fat.fraction === null ? null : Math.round(fat.fraction * 1000) / 10}
          unit="%"
          units={[{ value: '%', label: '%' }]}
          check={(v) =>
            v < 0
              ? 'Fat cannot be negative.'
              : v > 60
                ? `${v} % is too high for cream. Enter 60 % or less.`
                : null
          }
          onFault={(faulty) => {
            if (faulty) onFat({ known: true, fraction: null });
          }}
          onChange={(v) => onFat({ known: true, fraction: v / 100 })}
        />
      )}
    </>
  );
}
