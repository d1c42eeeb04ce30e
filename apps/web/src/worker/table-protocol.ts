import type { Clash, Plan } from '@reach-plot/core'
import type { Columns, FormId, Taken, TakeOptions } from '@reach-plot/core/key-tables'

/** A table that a file holds, as the page shows it. */
export interface TableShown {
  readonly form: FormId
  /** by what a person's choice of columns is remembered */
  readonly shape: string
  readonly columns: readonly string[]
  /** what the columns are taken for */
  readonly roles: Columns
  readonly rows: number
  /** the first of its rows */
  readonly first: readonly (readonly string[])[]
}

export interface TableRequest {
  readonly plan: Plan
  /** which of the tables that were found */
  readonly table: number
  readonly roles: Columns
  readonly options: TakeOptions
}

/** What taking a table would do. */
export interface TablePreview {
  readonly taken: Taken
  /** keys that no device on the bench has, with how many commands they are for */
  readonly missing: readonly { readonly code: string; readonly commands: number }[]
}

/** Clashes that it would bring, and how many it would end. */
export interface TableClashes {
  readonly brings: readonly Clash[]
  readonly ends: number
}

/** What the table worker does: files are hostile until they are read, and a large one takes a while. */
export interface TableService {
  read(source: File | string, fileName: string, plan: Plan): Promise<readonly TableShown[]>
  preview(request: TableRequest): TablePreview
  /** clashes of what was previewed last, for the same plan; null where something else was since */
  clashes(): TableClashes | null
}
