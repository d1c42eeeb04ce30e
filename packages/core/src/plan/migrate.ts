import { defaultLabelDesign } from '../label-design/index.js'
import { noMemory } from '../mnemonics/index.js'
import { freshId } from './ids.js'
import { defaultHoursPerDay } from './plan.js'
import { defaultPlaceWeights } from './weights.js'

type Raw = Record<string, unknown>

/** The entries of a list; one that is no object becomes an empty one, of which the schema then says what it lacks. */
const list = (value: unknown): Raw[] =>
  Array.isArray(value) ? value.map((entry: unknown) => record(entry)) : []

const record = (value: unknown): Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Raw) : {}

/** What brings a plan from the version of the key to the next. */
const steps: Readonly<Record<number, (raw: Raw) => Raw>> = {
  1: fromVersion1,
  2: fromVersion2,
  3: fromVersion3,
  4: fromVersion4,
  5: fromVersion5,
  6: fromVersion6,
  7: fromVersion7,
}

/**
 * What a plan file of an older version is in the newest one. What does not look like a plan is handed on as it is:
 * the schema then tells what is wrong with it.
 */
export function migrate(raw: Raw): Raw {
  const { version } = raw
  const step = typeof version === 'number' ? steps[version] : undefined
  return step ? migrate(step(raw)) : raw
}

const eachPlaced = (raw: Raw, added: Raw): Raw[] =>
  list(raw['benches']).map((bench) => ({
    ...bench,
    devices: list(bench['devices']).map((placed) => ({ ...placed, ...added })),
  }))

/** Version 2 brought devices that are turned or mirrored, pop-up sets, routines and usage. */
function fromVersion1(raw: Raw): Raw {
  return {
    ...raw,
    version: 2,
    routines: [],
    usage: null,
    benches: eachPlaced(raw, { turnDeg: 0, mirrored: false }),
    arrangements: list(raw['arrangements']).map((arrangement) => ({ ...arrangement, popups: [] })),
  }
}

/** Version 3 brought devices that stand higher than others, what is kept, weights, and what names have in common. */
function fromVersion2(raw: Raw): Raw {
  return {
    ...raw,
    version: 3,
    benches: eachPlaced(raw, { heightMm: 0 }),
    rules: { keptCommandIds: [], keptSpots: [], keptProgramIds: [], barredSpots: [] },
    weights: defaultPlaceWeights,
    memory: noMemory,
  }
}

/** Version 4 brought accepted clashes, a second layout and the person's own system keys. */
function fromVersion3(raw: Raw): Raw {
  return {
    ...raw,
    version: 4,
    otherLayoutId: null,
    ownSystemKeys: {},
    arrangements: list(raw['arrangements']).map((arrangement) => ({ ...arrangement, accepted: [] })),
  }
}

/** Version 5 brought the hours of a day and what a new place costs. */
function fromVersion4(raw: Raw): Raw {
  return {
    ...raw,
    version: 5,
    hoursPerDay: defaultHoursPerDay,
    weights: { ...defaultPlaceWeights, ...record(raw['weights']) },
  }
}

/** Version 6 brought the design of labels. */
function fromVersion5(raw: Raw): Raw {
  return { ...raw, version: 6, labels: defaultLabelDesign }
}

/** Version 7 brought an id, what is set now, and one word for each thing: locked, barred controls, entries. */
function fromVersion6(raw: Raw): Raw {
  const rules = record(raw['rules'])
  return {
    ...raw,
    version: 7,
    id: planIdFrom(raw),
    rules: {
      lockedCommandIds: rules['keptCommandIds'],
      lockedControls: rules['keptSpots'],
      lockedProgramIds: rules['keptProgramIds'],
      barredControls: rules['barredSpots'],
    },
    arrangements: list(raw['arrangements']).map((arrangement) => ({
      ...arrangement,
      placements: list(arrangement['placements']).map(withEntry),
      popups: list(arrangement['popups']).map(({ places, ...set }) => ({ ...set, entries: places })),
    })),
    setNowArrangementId: null,
  }
}

/** Version 8 has learning counted once, by the days in which it should pay, and weighs the work of the pointing hand and of busy fingers. */
function fromVersion7(raw: Raw): Raw {
  const { learnMs: _, ...weights } = record(raw['weights'])
  return { ...raw, version: 8, weights: { ...defaultPlaceWeights, ...weights } }
}

/** A place of a pop-up set is called an entry. */
function withEntry(placement: Raw): Raw {
  const trigger = record(placement['trigger'])
  if (trigger['kind'] !== 'popup') return placement
  const { place, ...rest } = trigger
  return { ...placement, trigger: { ...rest, entry: place } }
}

/**
 * An id for a plan that had none: from its name, and from all that it holds, so that two plans of one name are told apart
 * and one file gets the same id whenever it is opened. FNV-1a, 32 bits.
 */
function planIdFrom(raw: Raw): string {
  let hash = 0x811c9dc5
  for (const char of JSON.stringify(raw)) hash = Math.imul(hash ^ (char.codePointAt(0) as number), 0x01000193)
  return `${freshId(typeof raw['name'] === 'string' ? raw['name'].slice(0, 120) : '', new Set())}-${(hash >>> 0).toString(16)}`
}
