import { expect, test } from 'vitest'
import { deleteProgram, forgetKeyFile, keepKeyFile, readPlan, writePlan, type Plan } from '../../src/index.js'
import { demo } from '../shuffled.js'

const [program] = demo.programs
const file = { programId: program!.id as string, name: 'keys.conf', text: 'bind g "Show grid"\n' }
const kept = keepKeyFile(demo, file)

test('a key file is kept with the plan, and the plan can be read again', () => {
  expect(readPlan(writePlan(kept), 'kept').keyFiles).toEqual([{ id: 'keys-conf', ...file }])
})

test('one of the same name is replaced, another stands beside it', () => {
  const newer = keepKeyFile(kept, { ...file, text: 'bind h "Show grid"\n' })
  expect(newer.keyFiles?.map((f) => f.text)).toEqual(['bind h "Show grid"\n'])
  expect(keepKeyFile(kept, { ...file, name: 'Keys, conf' }).keyFiles?.map((f) => f.id)).toEqual([
    'keys-conf',
    'keys-conf-2',
  ])
  expect(keepKeyFile(demo, { ...file, name: ' ' })).toBe(demo)
  expect(keepKeyFile(demo, { ...file, programId: 'nothing' })).toBe(demo)
})

test('it goes when it is forgotten, or with its program', () => {
  expect(forgetKeyFile(kept, 'keys-conf')).toEqual(demo)
  const alone: Plan = {
    ...kept,
    programs: [...kept.programs, { ...program!, id: 'other', name: 'Other' }],
    keyFiles: [{ id: 'k', ...file, programId: 'other' }],
  }
  expect(deleteProgram(alone, 'other').keyFiles).toEqual([])
  expect(() => readPlan(writePlan({ ...alone, programs: demo.programs }), 'gone')).toThrow(
    /no program "other"/,
  )
})
