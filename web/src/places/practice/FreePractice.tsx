import { PRACTISED_METHODS, PRACTISED_PRODUCTS, PRODUCTS, troublesOf } from '@morning-crock/core';
import { PRACTICE_KITCHENS, type PracticeKitchen, type Trouble } from '@morning-crock/core/contract';
import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import '../../parts/fields/form-styles.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { KITCHEN_WORDS, practiceAddress, TROUBLE_NAMES } from './practice-words.ts';
import { anyNumber } from './use-session.ts';
import './practice.css';

const MOST_TROUBLES = 4;

const LEVELS = [
  { value: '1', label: 'Forecast shown' },
  { value: '2', label: 'Forecast on request' },
  { value: '3', label: 'Nothing called out' },
] as const;

/** Free practice: what, with which troubles, how hard, and which world. */
export function FreePractice() {
  const navigate = useNavigate();
  const [product, setProduct] = useState<string>(PRACTISED_PRODUCTS[0]);
  const methods = PRACTISED_METHODS.filter((one) => one.product === product);
  const [methodId, setMethodId] = useState(methods[0]!.id);
  const method = methods.find(({ id }) => id === methodId) ?? methods[0]!;
  const [kitchen, setKitchen] = useState<PracticeKitchen>('usual');
  const [surprise, setSurprise] = useState(true);
  const [troubles, setTroubles] = useState<readonly Trouble[]>([]);
  const [level, setLevel] = useState<(typeof LEVELS)[number]['value']>('2');
  const [seed, setSeed] = useState<number | string>('');
  const may = troublesOf(method);
  const chosen = troubles.filter((trouble) => may.includes(trouble));
  const fault =
    seed === '' || (typeof seed === 'number' && Number.isInteger(seed) && seed >= 0 && seed <= 4_294_967_295)
      ? null
      : 'Enter a whole number, 0 or more.';
  return (
    <section aria-labelledby="free-practice" className="section">
      <h2 id="free-practice">Free practice</h2>
      <form
        className="column"
        onSubmit={(event) => {
          event.preventDefault();
          if (fault) return;
          void navigate(
            practiceAddress(
              {
                kind: 'free',
                method: method.id,
                kitchen,
                troubles: surprise ? 'surprise' : [...chosen],
                level: level === '1' ? 1 : level === '3' ? 3 : 2,
              },
              typeof seed === 'number' ? seed : anyNumber(),
            ),
          );
        }}
      >
        <div className="field-row">
          <NativeSelect
            label="Product"
            data={PRACTISED_PRODUCTS.map((id) => ({ value: id, label: PRODUCTS[id].label }))}
            value={product}
            onChange={(event) => setProduct(event.currentTarget.value)}
          />
          <NativeSelect
            label="Method"
            data={methods.map(({ id, name }) => ({ value: id, label: name }))}
            value={method.id}
            onChange={(event) => setMethodId(event.currentTarget.value)}
            flex={1}
            miw={260}
          />
        </div>
        <NativeSelect
          label="Kitchen"
          data={PRACTICE_KITCHENS.map((value) => ({ value, label: KITCHEN_WORDS[value] }))}
          value={kitchen}
          maw={320}
          onChange={(event) =>
            setKitchen(PRACTICE_KITCHENS.find((one) => one === event.currentTarget.value) ?? 'usual')
          }
        />
        <div role="group" aria-label="Troubles" className="hands-group">
          <span className="label">Troubles</span>
          <div className="hands">
            <button type="button" className="hand" aria-pressed={surprise} onClick={() => setSurprise(true)}>
              Surprise me
            </button>
            {may.map((trouble) => (
              <button
                key={trouble}
                type="button"
                className="hand"
                aria-pressed={!surprise && chosen.includes(trouble)}
                disabled={!surprise && !chosen.includes(trouble) && chosen.length >= MOST_TROUBLES}
                onClick={() => {
                  setSurprise(false);
                  setTroubles(
                    surprise
                      ? [trouble]
                      : chosen.includes(trouble)
                        ? chosen.filter((one) => one !== trouble)
                        : [...chosen, trouble],
                  );
                }}
              >
                {TROUBLE_NAMES[trouble]}
              </button>
            ))}
          </div>
        </div>
        <Choices legend="Help" options={LEVELS} value={level} onChange={setLevel} />
        <div className="field-row">
          <NumberInput
            label="World number (optional)"
            description="The same number gives everybody the same world."
            value={seed}
            min={0}
            allowDecimal={false}
            hideControls
            error={fault}
            onChange={setSeed}
          />
          <Button type="submit" h={56} mt="auto">
            Start practice
          </Button>
        </div>
      </form>
    </section>
  );
}
