/** Forms in which tables of keys come. */
export const formNames = {
  csv: 'rows with separators',
  sheet: 'a spreadsheet',
  html: 'a table of a web page',
  markdown: 'a table in Markdown',
  json: 'JSON',
  xml: 'XML',
  plist: 'a property list',
  ini: 'INI',
  yaml: 'YAML',
  toml: 'TOML',
  list: 'a list of words and keys',
  'key-file': 'a key file',
} as const
export type FormId = keyof typeof formNames

/** A row as it stands in a file. */
export interface TableRow {
  /** line of the file, or number of the row in forms without lines */
  readonly line: number
  /** by column; '' where the row has none */
  readonly cells: readonly string[]
}

/** A table of a file, before anything is known of what its columns mean. */
export interface KeyTable {
  readonly form: FormId
  /** names of the columns: headings, or paths of a nested form */
  readonly columns: readonly string[]
  readonly rows: readonly TableRow[]
  /** names that a key file gives to keys, such as `$mod` */
  readonly variables?: ReadonlyMap<string, string>
  /** how much the text looks like the form, 0 to 1, where any text can be read as it */
  readonly fit?: number
  /** the columns have names of their own in the file */
  readonly isHeaded: boolean
}

/** More rows of one file are not read. */
export const mostRows = 20_000
/** Larger files are not read, bytes. */
export const mostBytes = 100_000_000

/** A table from records of named values; columns in the order in which they first come. */
export function tableOfRecords(
  form: FormId,
  records: readonly { readonly line: number; readonly values: ReadonlyMap<string, string> }[],
  extra: Partial<Pick<KeyTable, 'variables' | 'fit'>> = {},
): KeyTable {
  const columns: string[] = []
  const at = new Map<string, number>()
  for (const { values } of records)
    for (const name of values.keys())
      if (!at.has(name)) {
        at.set(name, columns.length)
        columns.push(name)
      }
  return {
    form,
    columns,
    rows: records.map(({ line, values }) => ({ line, cells: columns.map((name) => values.get(name) ?? '') })),
    isHeaded: true,
    ...extra,
  }
}
