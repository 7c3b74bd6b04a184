import { agedNow, isLive, layTree, livingShare, placeOf, type TreeNode } from '@morning-crock/core';
import type { Culture } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { cultureWords } from '../../parts/words/culture-words.ts';

const COLUMN_PX = 78;
const ROW_PX = 84;
const NODE_PX = 56;
const LEFT_PX = 8;
const NAME_PX = 26;

const xOf = (node: TreeNode): number => LEFT_PX + node.column * COLUMN_PX + NODE_PX / 2;
const yOf = (node: TreeNode): number => NAME_PX + node.row * ROW_PX + NODE_PX / 2;

/** One culture: filled as far as it is alive, its turn inside; frozen, gone and dried ones by their own signs. */
function Mark({ culture, nowMs }: { readonly culture: Culture; readonly nowMs: number }) {
  const live = isLive(culture);
  const share = live ? livingShare(culture.kind, agedNow(culture, nowMs)) : 0;
  const frozen = placeOf(culture) === 'freezer';
  const r = 24;
  const level = 28 + r - 2 * r * share;
  const clip = `m${culture.id}`;
  return (
    <svg viewBox="0 0 56 56" width={NODE_PX} height={NODE_PX} aria-hidden="true">
      <clipPath id={clip}>
        {culture.packet ? (
          <rect x="8" y="6" width="40" height="44" rx="3" />
        ) : (
          <circle cx="28" cy="28" r={r} />
        )}
      </clipPath>
      {/* The figure has one colour above the fill and another on it. */}
      <linearGradient
        id={`${clip}f`}
        gradientUnits="userSpaceOnUse"
        x1="0"
        y1={level - 0.5}
        x2="0"
        y2={level + 0.5}
      >
        <stop offset="0" stopColor={live ? 'var(--ink)' : 'var(--quiet)'} />
        <stop offset="1" stopColor="var(--on-cream)" />
      </linearGradient>
      <rect x="0" y="0" width="56" height="56" fill="var(--slip)" clipPath={`url(#${clip})`} />
      <rect
        x="0"
        y={level}
        width="56"
        height="56"
        fill={frozen ? 'var(--skimmed)' : 'var(--creamy)'}
        clipPath={`url(#${clip})`}
      />
      {culture.packet ? (
        <path d="M8 6h40v44H8zM8 15h40" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      ) : (
        <circle
          cx="28"
          cy="28"
          r={r}
          fill="none"
          stroke={live ? 'var(--ink)' : 'var(--line)'}
          strokeWidth="2.5"
          strokeDasharray={live ? undefined : '4 4'}
        />
      )}
      {culture.gone && culture.gone.reason !== 'eaten' ? (
        <path d="M18 18 38 38M38 18 18 38" stroke="var(--madder)" strokeWidth="3" />
      ) : (
        !culture.packet && (
          <text x="28" y="35" fontSize="21" textAnchor="middle" fill={`url(#${clip}f)`} className="number">
            {culture.turn}
          </text>
        )
      )}
      {frozen && live && <path d="M28 4v10M23 6l10 6M33 6l-10 6" stroke="var(--cobalt)" strokeWidth="2" />}
      {culture.signs.length > 0 && (
        <path d="M44 2l10 18H34z" fill="var(--butter)" stroke="var(--ink)" strokeWidth="2" />
      )}
    </svg>
  );
}

/** Families of cultures, from where each line began to its youngest turn; every one can be chosen. */
export function FamilyTree(props: {
  readonly cultures: readonly Culture[];
  readonly chosen: string | null;
  readonly nowMs: number;
}) {
  const { cultures, chosen, nowMs } = props;
  const nodes = useMemo(() => layTree(cultures), [cultures]);
  const byId = new Map(nodes.map((n) => [n.culture.id, n]));
  const width = LEFT_PX * 2 + COLUMN_PX * (1 + Math.max(0, ...nodes.map((n) => n.column)));
  const height = NAME_PX + ROW_PX * (1 + Math.max(0, ...nodes.map((n) => n.row)));
  const roots = nodes.filter((n) => n.parents.length === 0);
  return (
    <div className="tree-box" role="region" aria-label="Family tree" tabIndex={0}>
      <div className="tree" style={{ width, height }}>
        <svg width={width} height={height} aria-hidden="true" className="tree-lines">
          {nodes.flatMap((node) =>
            node.parents.flatMap((id) => {
              const from = byId.get(id);
              if (!from) return [];
              const [x0, y0, x1, y1] = [xOf(from) + 24, yOf(from), xOf(node) - 24, yOf(node)];
              const middle = x0 + (x1 - x0) / 2;
              return [
                <path
                  key={`${id}${node.culture.id}`}
                  d={`M${x0} ${y0}C${middle} ${y0} ${middle} ${y1} ${x1} ${y1}`}
                  fill="none"
                  stroke="var(--brush)"
                  strokeWidth="3"
                />,
              ];
            }),
          )}
        </svg>
        {roots.map((node) => (
          <span
            key={`name${node.culture.id}`}
            className="line-name"
            style={{ left: LEFT_PX, top: node.row * ROW_PX, maxWidth: Math.max(180, width - 20) }}
          >
            {node.culture.name}
          </span>
        ))}
        {nodes.map((node) => (
          <Link
            key={node.culture.id}
            to={`/cultures?culture=${node.culture.id}`}
            replace
            className="tree-node"
            aria-current={node.culture.id === chosen ? 'true' : undefined}
            aria-label={`${node.culture.name}, ${cultureWords(node.culture, nowMs)}`}
            style={{ left: xOf(node) - NODE_PX / 2, top: yOf(node) - NODE_PX / 2 }}
          >
            <Mark culture={node.culture} nowMs={nowMs} />
          </Link>
        ))}
      </div>
    </div>
  );
}
