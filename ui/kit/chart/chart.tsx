'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useEffect, useRef } from 'react';

/** How text is set in a chart, read from the page, and how much room there is. */
export interface ChartFont {
  fontFamily: string;
  fontSize: number;
  color: string;
  /** Of the chart's box, px. */
  boxWidth: number;
}

interface ChartProps {
  /** What the chart shows, worked out once the page's font is known. */
  option: (font: ChartFont) => object;
  /** For who cannot see it. */
  label: string;
  height: number;
  /** Told which datum was chosen with the pointer; who uses keys finds the same in the table beside it. */
  onChoose?: (at: number) => void;
}

/** A chart that follows the width of its box. Its library is loaded when it is first shown. */
export function Chart({ option, label, height, onChoose }: ChartProps) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let dispose = (): void => undefined;
    let gone = false;
    void draw(box.current!, option, onChoose).then((end) => {
      if (gone) end();
      else dispose = end;
    });
    return () => {
      gone = true;
      dispose();
    };
  }, [option, onChoose]);
  return <div ref={box} role="img" aria-label={label} style={{ height }} className="w-full" />;
}

async function draw(
  element: HTMLElement,
  option: ChartProps['option'],
  onChoose: ChartProps['onChoose'],
): Promise<() => void> {
  const [
    { init, use: register },
    { CustomChart, LineChart },
    { GridComponent, MarkAreaComponent, TitleComponent },
    { CanvasRenderer },
  ] = await Promise.all([
    import('echarts/core'),
    import('echarts/charts'),
    import('echarts/components'),
    import('echarts/renderers'),
  ]);
  register([CustomChart, LineChart, GridComponent, MarkAreaComponent, TitleComponent, CanvasRenderer]);
  const chart = init(element);
  chart.setOption({
    animation: false,
    ...option({
      fontFamily: getComputedStyle(element).fontFamily,
      fontSize: 13,
      color: COLOURS.ink,
      boxWidth: element.clientWidth,
    }),
  });
  if (onChoose) chart.on('click', ({ dataIndex }) => onChoose(dataIndex));
  const resize = new ResizeObserver(() => chart.resize());
  resize.observe(element);
  return () => {
    resize.disconnect();
    chart.dispose();
  };
}
