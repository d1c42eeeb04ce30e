import { describe, expectTypeOf, it } from 'vitest'
import type { Command, CommandId, Placement, Program, ProgramId } from '@reach-plot/core'

describe('ids', () => {
  it('of a command and of a program are not taken for each other', () => {
    expectTypeOf<CommandId>().not.toExtend<ProgramId>()
    expectTypeOf<ProgramId>().not.toExtend<CommandId>()
    expectTypeOf<Command['id']>().toEqualTypeOf<CommandId>()
    expectTypeOf<Command['programId']>().toEqualTypeOf<ProgramId>()
    expectTypeOf<Program['id']>().toEqualTypeOf<ProgramId>()
    expectTypeOf<Placement['commandId']>().toEqualTypeOf<CommandId>()
  })
})
