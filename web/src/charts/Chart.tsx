import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { init, use as withParts, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useComputedColorScheme } from '@mantine/core';
import { useEffect, useRef } from 'react';
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

/** A chart on a canvas; `label` says in words what it shows. @param build kept the same while its data are */
export default function Chart({ build, label }: { readonly build: ChartBuilder; readonly label: string }) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  const scheme = useComputedColorScheme('light');
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const made = init(element);
    chart.current = made;
    const observer = new ResizeObserver(() => made.resize());
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
    chart.current.setOption(build(themeOf(element), element.clientWidth < 480), {
      notMerge: true,
    });
  }, [build, scheme]);
  return <div className="fills" ref={box} role="img" aria-label={label} />;
}
