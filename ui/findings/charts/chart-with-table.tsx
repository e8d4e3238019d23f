import { Chart, type ChartFont } from '@/ui/kit/chart/chart';
import { FiguresTable } from '../figures-table';

interface ChartWithTableProps {
  /** What it shows, in a sentence: for who cannot see it, and above the table. */
  label: string;
  option: (font: ChartFont) => object;
  height: number;
  head: readonly string[];
  rows: readonly { key: string; cells: readonly React.ReactNode[] }[];
  /** The table stands open beside the chart; else it is folded away under it. */
  open?: boolean;
  onChoose?: (at: number) => void;
}

/** A chart, and the same as a table for keys and screen readers. */
export function ChartWithTable({ label, option, height, head, rows, open = false, onChoose }: ChartWithTableProps) {
  return (
    <figure className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <Chart option={option} label={`${label}. The table has the same figures.`} height={height} onChoose={onChoose} />
      <details open={open}>
        <summary className="flex min-h-11 cursor-pointer items-center font-bold">The same as a table</summary>
        <FiguresTable label={label} head={head} rows={rows} />
      </details>
    </figure>
  );
}
