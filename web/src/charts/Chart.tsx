import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { init, use as withParts, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useComputedColorScheme } from '@mantine/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { EChartsOption } from 'echarts';
import type { CurveTheme } from './curve-option.ts';

withParts([BarChart, LineChart, ScatterChart, GridComponent, MarkLineComponent, CanvasRenderer]);

function themeOf(element: HTMLElement): CurveTheme {
  const style = getComputedStyle(element);
  const read = (name: string): string => style.getPropertyValue(name).trim();
  return {
    ink: read('--ink'),
    quiet: read('--quiet'),
    faint: read('--faint'),
    cobalt: read('--cobalt'),
    brush: read('--brush'),
    clay: read('--clay'),
    butter: read('--butter'),
    fontFamily: style.fontFamily,
  };
}

/** Builds what a canvas shows. Pure: the same data in the same theme gives the same picture. */
export type ChartBuilder = (theme: CurveTheme, narrow: boolean) => EChartsOption;

export interface ChartProps {
  /** Kept the same while its data are. */
  readonly build: ChartBuilder;
  /** What it shows, in words. */
  readonly label: string;
  /** What moves, laid over it. */
  readonly over?: (narrow: boolean) => ReactNode;
}

/** Under this width a chart leaves things out, px. */
const NARROW_PX = 480;

/** A chart on a canvas. */
export default function Chart({ build, label, over }: ChartProps) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  const scheme = useComputedColorScheme('light');
  const [narrow, setNarrow] = useState(false);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const made = init(element);
    chart.current = made;
    const measured = (): void => setNarrow(element.clientWidth < NARROW_PX);
    measured();
    const observer = new ResizeObserver(() => {
      made.resize();
      measured();
    });
    observer.observe(element);
    return () => {
      observer.disconnect();
      made.dispose();
      chart.current = null;
    };
  }, []);
  useEffect(() => {
    const element = box.current;
    if (!element || !chart.current) return;
    chart.current.setOption(build(themeOf(element), narrow), { notMerge: true });
  }, [build, scheme, narrow]);
  return (
    <div className="fills under-marks">
      <div className="fills" ref={box} role="img" aria-label={label} />
      {over?.(narrow)}
    </div>
  );
}
