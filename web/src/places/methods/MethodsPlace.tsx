import '../../parts/fields/form-styles.ts';
import {
  differences,
  duplicated,
  measureMethod,
  nextVersion,
  PRODUCTS,
  type Measured,
} from '@morning-crock/core';
import type { Method } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { useMakesQuery } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { wholeHour } from '../../data/whole-hour.ts';
import { refusalOf } from '../../data/refusal-of.ts';
import { record } from '../../data/store.ts';
import { useMilkPrice } from '../../data/use-milk-price.ts';
import { useUnits } from '../../data/use-units.ts';
import { CrockDrawing } from '../../parts/drawings/CrockDrawing.tsx';
import { differenceWords } from './difference-words.ts';
import { MethodCord } from './MethodCord.tsx';
import { MethodEditor } from './MethodEditor.tsx';
import { factRows, MethodFacts } from './MethodFacts.tsx';
import { MethodOut, MethodIn } from './MethodFiles.tsx';
import { useMethods, type ShownMethod } from '../../data/use-methods.ts';
import './methods.css';

const NO_MAKES: readonly never[] = [];

/** The list: what came with the product and what is the kitchen's own, by what is made. */
function Shelf({ shown, chosen }: { readonly shown: readonly ShownMethod[]; readonly chosen: string }) {
  const groups = Object.values(PRODUCTS)
    .map((product) => ({ product, of: shown.filter(({ method }) => method.product === product.id) }))
    .filter(({ of }) => of.length > 0);
  return (
    <nav aria-label="Methods" className="method-shelf">
      {groups.map(({ product, of }) => {
        const open = of.some(({ id }) => id === chosen);
        return (
          <section key={product.id} aria-label={product.label}>
            <Link
              to={`/methods?method=${of[0]!.id}`}
              className="method-shelf-head"
              aria-current={open ? 'true' : undefined}
            >
              <CrockDrawing fill={0.7} surface={product.drawn.as} brush={product.drawn.brush} label="" />
              <span className="serif">{product.label}</span>
              <span className="quiet number">{of.length}</span>
            </Link>
            {open && (
              <ul className="bare">
                {of.map(({ id, method, own }) => (
                  <li key={id}>
                    <Link to={`/methods?method=${id}`} aria-current={id === chosen ? 'page' : undefined}>
                      {method.name}
                      {own && <span className="quiet"> yours, version {method.version}</span>}
                    </Link>
                  </li>
                ))}
              </ul>
            )}
          </section>
        );
      })}
    </nav>
  );
}

function useMeasured(method: Method, litres: number | undefined): Measured {
  const { kitchen } = useMethods();
  const settled = useDeferredValue(method);
  const [at] = useState(() => wholeHour(now()));
  return useMemo(() => measureMethod(settled, kitchen, at, litres), [settled, kitchen, at, litres]);
}

/** Two methods side by side, row by row. */
function Beside({ a, b }: { readonly a: Method; readonly b: Method }) {
  const units = useUnits();
  const litres = 2;
  const [left, right] = [useMeasured(a, litres), useMeasured(b, litres)];
  const priceOf = useMilkPrice();
  const rows = [
    factRows(left, units, priceOf(a.product)),
    factRows(right, units, priceOf(b.product)),
  ] as const;
  const labels = [...new Set([...rows[0], ...rows[1]].map(([label]) => label))];
  const value = (of: (typeof rows)[number], label: string): string =>
    of.find(([l]) => l === label)?.[1] ?? 'none';
  return (
    <section aria-label={`${a.name} compared with ${b.name}`} className="column">
      <table className="method-beside">
        <thead>
          <tr>
            <td>for {units.volume(litres)}, started now</td>
            <th scope="col">{a.name}</th>
            <th scope="col">{b.name}</th>
          </tr>
        </thead>
        <tbody>
          {labels.map((label) => (
            <tr key={label}>
              <th scope="row">{label}</th>
              <td className="number">{value(rows[0], label)}</td>
              <td className="number">{value(rows[1], label)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="method-two">
        <MethodCord measured={left} steps={a.steps} label={`Steps of ${a.name}`} />
        <MethodCord measured={right} steps={b.steps} label={`Steps of ${b.name}`} />
      </div>
      <details>
        <summary className="unfolds">Differences, line by line</summary>
        <ul>
          {differences(a, b)
            .map((difference) => differenceWords(difference, units))
            .map((line) => (
              <li key={line}>{line}</li>
            ))}
        </ul>
      </details>
    </section>
  );
}

function One({ shown, all }: { readonly shown: ShownMethod; readonly all: readonly ShownMethod[] }) {
  const [search, setSearch] = useSearchParams();
  const { data: makes = NO_MAKES } = useMakesQuery();
  const version = Number(search.get('version'));
  const method = shown.own?.versions.find((v) => v.method.version === version)?.method ?? shown.method;
  const measured = useMeasured(method, undefined);
  const editing = search.get('edit') === '1';
  const besideId = search.get('beside');
  const beside = all.find(({ id }) => id === besideId)?.method;
  const [fault, setFault] = useState<string | null>(null);
  const go = (part: Readonly<Record<string, string | null>>): void =>
    setSearch((before) => {
      const next = new URLSearchParams(before);
      for (const [key, value] of Object.entries(part))
        if (value === null) next.delete(key);
        else next.set(key, value);
      return next;
    });
  async function save(changed: Method): Promise<void> {
    setFault(null);
    const id = await record(changed.id, 'method-changed', { kind: 'saved', method: changed });
    const refused = await refusalOf(id);
    if (refused !== null) {
      setFault(refused);
      return;
    }
    go({ method: changed.id, edit: null, version: null });
  }
  if (editing)
    return (
      <MethodEditor
        // One that came with the product is changed as a copy of one's own.
        initial={
          shown.own
            ? { ...method, version: nextVersion(shown.own) }
            : duplicated(method, ulid(), `${method.name}, our version`.slice(0, 80))
        }
        original={method}
        fault={fault}
        onSave={save}
        onLeave={() => go({ edit: null })}
      />
    );
  return (
    <div className="column">
      <div className="make-head">
        <h1>{method.name}</h1>
        <span className="quiet">{method.goodFor}</span>
      </div>
      <div className="row wide method-do">
        <Button
          component={Link}
          to={`/new?method=${method.id}&version=${method.version}`}
          className="great"
          h={72}
        >
          Start batch
        </Button>
        <Button variant="default" onClick={() => go({ edit: '1', beside: null })}>
          {shown.own ? 'Edit method' : 'Edit a copy'}
        </Button>
        <NativeSelect
          label="Compare with"
          w={300}
          value={besideId ?? ''}
          data={[
            { value: '', label: 'none' },
            ...all
              .filter(({ id }) => id !== shown.id)
              .map(({ id, method: m }) => ({ value: id, label: `${PRODUCTS[m.product].label}: ${m.name}` })),
          ]}
          onChange={(e) => go({ beside: e.currentTarget.value || null })}
        />
        {shown.own && shown.own.versions.length > 1 && (
          <NativeSelect
            label="Version"
            value={String(method.version)}
            data={shown.own.versions.map((v) => ({
              value: String(v.method.version),
              label: String(v.method.version),
            }))}
            onChange={(e) => go({ version: e.currentTarget.value })}
          />
        )}
      </div>
      {fault && (
        <p role="alert" className="field-error">
          {fault}
        </p>
      )}
      {beside ? (
        <Beside a={method} b={beside} />
      ) : (
        <div className="method-two">
          <MethodCord measured={measured} steps={method.steps} label={`Steps of ${method.name}`} />
          <MethodFacts method={method} measured={measured} makes={makes} />
        </div>
      )}
      <div className="row">
        <MethodOut method={method} measured={measured} />
        {shown.own && (
          <Button
            variant="subtle"
            color="madder"
            onClick={() => {
              void record(shown.id, 'method-changed', { kind: 'dropped' });
              go({ method: null });
            }}
          >
            Archive method
          </Button>
        )}
      </div>
    </div>
  );
}

/** The schools, and the kitchen's own ways: each can be followed, changed, set beside another, and shared. */
export function MethodsPlace() {
  const { shown, own, known, failed, again } = useMethods();
  const [search] = useSearchParams();
  const asked = search.get('method');
  const chosen = shown.find(({ id }) => id === asked) ?? (asked === null ? shown[0] : undefined);
  const dropped = own.filter((m) => m.dropped);
  if (failed)
    return (
      <p role="alert">
        Your own methods cannot be loaded just now. <Button onClick={again}>Try again</Button>
      </p>
    );
  if (!known) return <p className="quiet">Opening …</p>;
  return (
    <div className={asked === null ? 'methods' : 'methods asked'}>
      <div>
        <Shelf shown={shown} chosen={chosen?.id ?? ''} />
        <MethodIn />
        {dropped.length > 0 && (
          <details>
            <summary className="unfolds">Archived ({dropped.length})</summary>
            <ul className="bare">
              {dropped.map((m) => (
                <li key={m.id} className="row">
                  {m.versions[0]!.method.name}
                  <Button
                    variant="default"
                    onClick={() =>
                      void record(m.id, 'method-changed', {
                        kind: 'saved',
                        method: { ...m.versions[0]!.method, version: nextVersion(m) },
                      })
                    }
                  >
                    Restore method
                  </Button>
                </li>
              ))}
            </ul>
          </details>
        )}
      </div>
      {chosen ? (
        <One key={chosen.id} shown={chosen} all={shown} />
      ) : (
        <p>
          That method does not exist. <Link to="/methods">All methods</Link>
        </p>
      )}
    </div>
  );
}
