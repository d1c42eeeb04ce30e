/** A table that is looked up by names from outside: what every object has, such as `constructor`, is not in it. */
export const table = <T>(entries: Readonly<Record<string, T>>): Readonly<Record<string, T>> =>
  Object.freeze(Object.assign(Object.create(null) as Record<string, T>, entries))

/** The entry of a record that came from outside, by a name from outside; undefined for what every object has. */
export const entryOf = <T>(record: Readonly<Record<string, T>> | undefined, name: string): T | undefined =>
  record !== undefined && Object.hasOwn(record, name) ? record[name] : undefined
