import type { SheetColumn } from '@reach-plot/core'

/** The arrangements as heads of a table, numbered as they are at the top of the screen. */
export const ColumnHeads = ({ columns }: { columns: readonly SheetColumn[] }) =>
  columns.map((column, i) => (
    <th
      key={column.id}
      scope="col"
      className="caption truncate pb-1 pl-2 text-right align-bottom font-medium"
      title={column.name}
    >
      {i + 1}. {column.name}
    </th>
  ))
