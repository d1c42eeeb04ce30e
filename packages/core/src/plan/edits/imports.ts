import type { Command, Program } from '../../commands/index.js'
import type { Usage } from '../../usage/index.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/** Takes over the programs and commands that an import has read, in place of the plan's. */
export const takeCommands = edit(
  (plan: Plan, read: { readonly programs: readonly Program[]; readonly commands: readonly Command[] }) => {
    plan.programs = [...read.programs]
    plan.commands = [...read.commands]
  },
)

/** Takes over what a log has counted, with the rates that commands have by it. */
export const takeUsage = edit((plan: Plan, usage: Usage, commands: readonly Command[]) => {
  plan.usage = usage
  plan.commands = commands.map((c) => ({ ...c }))
})
