import type { batchOf } from '@morning-crock/core';

type Composition = ReturnType<typeof batchOf>['composition'];

/** Pixels of a share of one. */
const SCALE = 2200;

/** What two milks hold, one bar above the other. */
export function MilkBars(props: { readonly before: Composition; readonly mixed: Composition }) {
  return (
    <svg
      viewBox="0 0 460 120"
      width="100%"
      role="img"
      aria-label="What the milk holds, before and after"
      className="little-curve"
    >
      {(
        [
          ['before', props.before],
          ['mixed', props.mixed],
        ] as const
      ).map(([name, composition], row) => {
        const parts = [
          ['fat', composition.fatFraction, 'butter'],
          ['protein', composition.proteinFraction, 'cobalt'],
          ['milk sugar', composition.lactoseFraction, 'brush'],
        ] as const;
        let x = 96;
        return (
          <g key={name}>
            <text x="0" y={34 + row * 56} fontSize="16" fill="var(--ink)">
              {name}
            </text>
            {parts.map(([part, value, colour]) => {
              const width = value * SCALE;
              const left = x;
              x += width;
              return (
                <g key={part}>
                  <rect
                    x={left}
                    y={12 + row * 56}
                    width={Math.max(0, width - 2)}
                    height="32"
                    fill={`var(--${colour})`}
                    opacity={colour === 'butter' ? 1 : 0.45}
                  />
                  <text
                    x={left + width / 2}
                    y={34 + row * 56}
                    fontSize="15"
                    textAnchor="middle"
                    fill={colour === 'butter' ? '#24221E' : 'var(--ink)'}
                  >
                    {(value * 100).toFixed(1)}
                  </text>
                  {row === 1 && (
                    <text x={left + width / 2} y="116" fontSize="15" textAnchor="middle" fill="var(--quiet)">
                      {part}
                    </text>
                  )}
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
