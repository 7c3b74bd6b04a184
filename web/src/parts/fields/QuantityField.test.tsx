import { afterEach, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { useState } from 'react';
import { show } from '../../testing/page.tsx';
import { QuantityField } from './QuantityField.tsx';

afterEach(cleanup);

/** A dose that a button sets anew in another unit, as a culture does that brings its own. */
function Dose() {
  const [dose, setDose] = useState<{ value: number; unit: 'g' | 'oz' }>({ value: 1.4, unit: 'oz' });
  return (
    <>
      <QuantityField
        label="Dose"
        value={dose.value}
        unit={dose.unit}
        units={[
          { value: 'g', label: 'g' },
          { value: 'oz', label: 'oz' },
        ]}
        check={(value) => (value > 0 ? null : 'The dose must be above 0.')}
        onChange={(value, unit) => setDose({ value, unit })}
      />
      <button type="button" onClick={() => setDose({ value: 39, unit: 'g' })}>
        Another culture
      </button>
      <p>{`${dose.value} ${dose.unit}`}</p>
    </>
  );
}

test('a number never stands beside the unit of another: both follow what was set', async () => {
  const { user } = show(<Dose />);
  const unit = (): string => screen.getByLabelText<HTMLSelectElement>('Dose: unit').value;
  const number = (): string => screen.getByLabelText<HTMLInputElement>('Dose').value;
  expect([number(), unit()]).toEqual(['1.4', 'oz']);
  await user.click(screen.getByText('Another culture'));
  expect([number(), unit()]).toEqual(['39', 'g']);
  // What was typed keeps its number when its unit is chosen, and is passed on with it.
  await user.selectOptions(screen.getByLabelText('Dose: unit'), 'oz');
  expect([number(), unit()]).toEqual(['39', 'oz']);
  expect(screen.queryByText('39 oz')).not.toBeNull();
});
