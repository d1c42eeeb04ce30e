import type { KeyTable } from './table.js'

/** What files of one kind have in common: the form and the names of their columns. By it a person's choice is remembered. */
export const shapeOf = ({ form, columns }: Pick<KeyTable, 'form' | 'columns'>): string =>
  JSON.stringify([form, ...columns.map((name) => name.trim().toLowerCase())])
