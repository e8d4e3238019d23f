'use client';

import { ArrowDown, ArrowUp, ArrowUpDown, Search } from 'lucide-react';
import { Fragment, type ReactNode, useState } from 'react';
import {
  columnFilteringFeature,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  globalFilteringFeature,
  type Row as TableRow,
  rowSortingFeature,
  type SortingState,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';

export interface SheetColumn<Row> {
  id: string;
  head: ReactNode;
  /** What the column is sorted and searched by; a column without it is neither. */
  value?: (row: Row) => string | number;
  cell: (row: Row) => ReactNode;
  /** Classes of the cell, and of its head where they differ. */
  className?: string | ((row: Row) => string);
  headClassName?: string;
  /** The cell that names its row. */
  names?: boolean;
}

interface SheetTableProps<Row extends object> {
  /** What the table holds, for those who do not see it. */
  label: string;
  rows: readonly Row[];
  columns: SheetColumn<Row>[];
  idOf: (row: Row) => string;
  /** What can be looked for; left out, there is no search. */
  search?: string | undefined;
  /** Parts under a head of their own, in this order; a row belongs to one. */
  parts?: { id: string; head: string }[];
  partOf?: (row: Row) => string;
  className?: string;
  rowClassName?: (row: Row) => string;
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  columnFilteringFeature,
  globalFilteringFeature,
  filteredRowModel: createFilteredRowModel(),
  filterFns: { includesString: filterFn_includesString },
});

const WHOLE = [{ id: '', head: '' }];

/** Figures by their size, words as a person sorts them: large and small letters alike, accents beside their letter, 9 before 10. */
function asRead<Data extends object>(
  a: TableRow<typeof features, Data>,
  b: TableRow<typeof features, Data>,
  column: string,
): number {
  const [left, right] = [a.getValue<string | number>(column), b.getValue<string | number>(column)];
  if (typeof left === 'number' && typeof right === 'number') return left - right;
  return String(left).localeCompare(String(right), 'en', { numeric: true, sensitivity: 'base' });
}

/** A table whose rows are sorted by its heads, searched, and filled in where a cell is an input. */
export function SheetTable<Row extends object>(props: SheetTableProps<Row>) {
  const { label, rows, columns, idOf, search, parts = WHOLE, partOf = () => '', className = '', rowClassName } = props;
  const [sorting, setSorting] = useState<SortingState>([]);
  const [sought, setSought] = useState('');
  // Cells are drawn from the rows themselves; what a column is sorted by may hang on what was typed just now.
  const accessors = columns.map(({ id, value }) => ({
    id,
    accessorFn: value ?? (() => ''),
    sortFn: asRead,
    enableSorting: value !== undefined,
  }));
  const table = useTable({
    features,
    data: rows,
    columns: accessors,
    getRowId: idOf,
    state: { sorting, globalFilter: sought },
    onSortingChange: setSorting,
    onGlobalFilterChange: setSought,
    globalFilterFn: 'includesString',
    getColumnCanGlobalFilter: ({ id }) => columns.some((column) => column.id === id && column.value !== undefined),
  });
  const shown = table.getRowModel().rows.map(({ original }) => original);
  return (
    <>
      {search && (
        <label className="mb-2 flex max-w-sm items-center gap-2">
          <Search aria-hidden className="size-5 shrink-0 text-muted" />
          <span className="sr-only">{search}</span>
          <input
            type="search"
            className="bench-input"
            placeholder={search}
            value={sought}
            onChange={(event) => setSought(event.target.value)}
          />
        </label>
      )}
      <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label={`${label}, scrolls sideways`}>
        <table className={`bench-table ${className}`}>
          <thead>
            <tr>
              {columns.map((column) => (
                <Head key={column.id} column={column} sorting={sorting} onSort={setSorting} />
              ))}
            </tr>
          </thead>
          {parts.map((part) => (
            <tbody key={part.id}>
              {part.head && (
                <tr>
                  <th scope="colgroup" colSpan={columns.length} className="border-b-0 pt-3">
                    {part.head}
                  </th>
                </tr>
              )}
              {shown
                .filter((row) => partOf(row) === part.id)
                .map((row) => (
                  <tr key={idOf(row)} className={rowClassName?.(row)}>
                    {columns.map((column) => (
                      <Fragment key={column.id}>{cellOf(column, row)}</Fragment>
                    ))}
                  </tr>
                ))}
            </tbody>
          ))}
        </table>
        {sought !== '' && shown.length === 0 && (
          <p role="status" className="p-2 text-muted">
            Nothing here has “{sought}” in it.
          </p>
        )}
      </div>
    </>
  );
}

function cellOf<Row>({ names, className = '', cell }: SheetColumn<Row>, row: Row): ReactNode {
  const classes = typeof className === 'string' ? className : className(row);
  if (!names) return <td className={classes}>{cell(row)}</td>;
  return (
    <th scope="row" className={`!border-b !border-line !align-middle !text-base !font-normal ${classes}`}>
      {cell(row)}
    </th>
  );
}

interface HeadProps<Row> {
  column: SheetColumn<Row>;
  sorting: SortingState;
  onSort: (sorting: SortingState) => void;
}

/** The head of a column: pressed it sorts, pressed again it turns round, and a third time the order is the first again. */
function Head<Row>({ column: { id, head, value, headClassName }, sorting, onSort }: HeadProps<Row>) {
  const order = sorting.find((entry) => entry.id === id);
  if (!value)
    return (
      <th scope="col" className={headClassName}>
        {head}
      </th>
    );
  const Arrow = !order ? ArrowUpDown : order.desc ? ArrowDown : ArrowUp;
  const next = !order ? [{ id, desc: false }] : order.desc ? [] : [{ id, desc: true }];
  return (
    <th scope="col" className={headClassName} aria-sort={!order ? 'none' : order.desc ? 'descending' : 'ascending'}>
      <button
        type="button"
        className="group inline-flex cursor-pointer items-end gap-1 text-left font-bold"
        onClick={() => onSort(next)}
      >
        {head}
        <Arrow aria-hidden className={`size-3.5 shrink-0 ${order ? '' : 'text-line group-hover:text-ink'}`} />
      </button>
    </th>
  );
}
