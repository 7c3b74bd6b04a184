import {
  methodJson,
  MOST_FILE_CHARS,
  planOfMethod,
  readMethodFile,
  recipeOf,
  type Measured,
} from '@morning-crock/core';
import {
  PRODUCT_TAKES,
  method as methodSchema,
  PRODUCT_IDS,
  type Method,
} from '@morning-crock/core/contract';
import { PRODUCTS } from '@morning-crock/core';
import { Button, FileButton, NativeSelect } from '@mantine/core';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { refusalOf } from '../../data/refusal-of.ts';
import { record } from '../../data/store.ts';
import { useMethods } from '../../data/use-methods.ts';

/** Hands a text to the browser as a file. */
function saveAs(name: string, text: string, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'method';

/** A method as a file: whole, or as a recipe that other programs read. */
export function MethodOut({ method, measured }: { readonly method: Method; readonly measured: Measured }) {
  const { kitchen } = useMethods();
  return (
    <>
      <Button
        variant="default"
        onClick={() => saveAs(`${fileName(method.name)}.json`, methodJson(method), 'application/json')}
      >
        Download method
      </Button>
      <Button
        variant="default"
        onClick={() => {
          const plan = planOfMethod(method, kitchen, new Date(now()).toISOString(), measured.litres);
          const recipe = recipeOf(method, measured, plan);
          saveAs(`${fileName(method.name)}.jsonld`, JSON.stringify(recipe, null, 2), 'application/ld+json');
        }}
      >
        Download recipe
      </Button>
    </>
  );
}

/** What was read, before anything is kept. */
interface Read {
  readonly file: string;
  readonly method: Omit<Method, 'id'>;
  readonly notUnderstood: readonly string[];
}

/** Reads a method's file or another program's recipe; it is shown first, and kept when somebody says so. */
export function MethodIn() {
  const reset = useRef<() => void>(null);
  const navigate = useNavigate();
  const [read, setRead] = useState<Read | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  async function open(file: File | null): Promise<void> {
    if (!file) return;
    setRead(null);
    // A file that is no method is not even opened when it is huge.
    if (file.size > 4 * MOST_FILE_CHARS) {
      setFault(
        `“${file.name}” is over the 200 kB limit for a method. Nothing was read. Choose another file.`,
      );
      return;
    }
    const answer = readMethodFile(await file.text());
    setFault(answer.ok ? null : `“${file.name}” ${answer.message}.`);
    if (answer.ok) setRead({ file: file.name, ...answer });
  }
  async function keep(): Promise<void> {
    if (!read) return;
    const id = ulid();
    const parsed = methodSchema.safeParse({ ...read.method, id, version: 1 });
    if (!parsed.success) {
      const issue = parsed.error.issues[0]!;
      setFault(`“${read.file}”: ${issue.path.join('.')} ${issue.message}.`);
      return;
    }
    const entry = await record(id, 'method-changed', { kind: 'saved', method: parsed.data });
    const refused = await refusalOf(entry);
    if (refused !== null) {
      setFault(refused);
      return;
    }
    setRead(null);
    void navigate(`/methods?method=${id}`);
  }
  return (
    <section aria-label="Import a method" className="column above-m">
      <FileButton
        resetRef={reset}
        accept="application/json,application/ld+json,.json,.jsonld"
        onChange={(file) => {
          reset.current?.();
          void open(file);
        }}
      >
        {(button) => (
          <Button {...button} variant="default">
            Import method
          </Button>
        )}
      </FileButton>
      {fault && (
        <p role="alert" className="field-error">
          {fault}
        </p>
      )}
      {read && (
        <div className="column" role="status">
          <p>
            <strong>{read.method.name}</strong>: {read.method.steps.length} steps read.
          </p>
          {read.notUnderstood.length > 0 && (
            <>
              <p>These lines were not understood. Add them yourself:</p>
              <ul className="reading">
                {read.notUnderstood.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </>
          )}
          <NativeSelect
            label="Product"
            value={read.method.product}
            data={PRODUCT_IDS.filter((id) => PRODUCT_TAKES[id] !== 'packet').map((id) => ({
              value: id,
              label: PRODUCTS[id].label,
            }))}
            onChange={(e) => {
              const product = PRODUCT_IDS.find((id) => id === e.currentTarget.value);
              if (product) setRead({ ...read, method: { ...read.method, product } });
            }}
          />
          <div className="row">
            <Button h={56} onClick={() => void keep()}>
              Save method
            </Button>
            <Button variant="default" onClick={() => setRead(null)}>
              Cancel import
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}
