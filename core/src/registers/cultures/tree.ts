import type { Culture } from '../../contract/index.ts';

/** Where a culture stands in the picture of its family: columns of turns, rows of branches. */
export interface TreeNode {
  readonly culture: Culture;
  readonly column: number;
  readonly row: number;
  /** Cultures it came of that are in the picture. */
  readonly parents: readonly string[];
}

/**
 * Lays families out: each culture one column after the latest of those it came of; the child of the same branch
 * stays on its row, forks open new rows below; families under one another, the one used last on top.
 */
export function layTree(cultures: readonly Culture[]): TreeNode[] {
  const known = new Map(cultures.map((c) => [c.id, c]));
  const children = new Map<string, Culture[]>();
  const roots: Culture[] = [];
  for (const culture of [...cultures].sort((a, b) => a.bornMs - b.bornMs)) {
    // Drawn under the first of its parents; the others get a line to it.
    const parent = culture.parents.find((id) => known.has(id));
    if (parent === undefined) roots.push(culture);
    else children.set(parent, [...(children.get(parent) ?? []), culture]);
  }
  const latest = (culture: Culture): number =>
    Math.max(culture.bornMs, ...(children.get(culture.id) ?? []).map(latest));
  const depth = (culture: Culture): number => 1 + Math.max(0, ...(children.get(culture.id) ?? []).map(depth));
  const placed = new Map<string, TreeNode>();
  let rows = 0;
  const place = (culture: Culture, column: number, row: number): void => {
    placed.set(culture.id, {
      culture,
      column,
      row,
      parents: culture.parents.filter((id) => known.has(id)),
    });
    // The longest branch goes straight on.
    const own = [...(children.get(culture.id) ?? [])].sort(
      (a, b) => depth(b) - depth(a) || b.bornMs - a.bornMs,
    );
    for (const [i, child] of own.entries()) {
      const childRow = i === 0 ? row : rows++;
      place(child, column + 1, childRow);
    }
  };
  for (const root of [...roots].sort((a, b) => latest(b) - latest(a))) place(root, 0, rows++);
  return [...placed.values()];
}
