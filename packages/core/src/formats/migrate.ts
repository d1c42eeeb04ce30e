type Raw = Record<string, unknown>

const list = (value: unknown): Raw[] => (Array.isArray(value) ? (value as Raw[]) : [])

/**
 * What a plan file of an older version is in the newest one. What does not look like a plan is handed on as it is:
 * the schema then tells what is wrong with it.
 */
export function migrate(raw: Raw): Raw {
  return raw['version'] === 1 ? fromVersion1(raw) : raw
}

/** Version 2 brought devices that are turned or mirrored, pop-up sets, routines and usage. */
const fromVersion1 = (raw: Raw): Raw => ({
  ...raw,
  version: 2,
  routines: [],
  usage: null,
  benches: list(raw['benches']).map((bench) => ({
    ...bench,
    devices: list(bench['devices']).map((placed) => ({ ...placed, turnDeg: 0, mirrored: false })),
  })),
  arrangements: list(raw['arrangements']).map((arrangement) => ({ ...arrangement, popups: [] })),
})
