import { StepSlider } from './StepSlider.tsx';

/** How deep the ladle goes, in hundredths of the layer. */
export const LADLE = { min: 40, layer: 100, max: 160 } as const;

/** From leaving some of the layer to going deep into the milk under it. */
export function LadleSlider({
  depth,
  onDepth,
}: {
  readonly depth: number;
  readonly onDepth: (depth: number) => void;
}) {
  const shown =
    depth === LADLE.layer
      ? 'cream layer'
      : depth < LADLE.layer
        ? `leave ${LADLE.layer - depth} % of the cream`
        : `${depth - LADLE.layer} % deeper than the cream`;
  return (
    <StepSlider
      label="Skimming depth"
      value={depth}
      shown={shown}
      min={LADLE.min}
      max={LADLE.max}
      step={10}
      onChange={onDepth}
    />
  );
}
