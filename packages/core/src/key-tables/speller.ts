import type { BenchEnvironment } from '../model/index.js'
import type { Speller } from '../spelling/index.js'

/** What keys are read with in a plan: its layout, its system, and what stands on its bench. */
export const spellerOf = (env: BenchEnvironment): Speller => ({
  naming: env,
  codes: env.controls.flatMap((c) => c.code ?? []),
  known: {
    programs: new Set(env.programs.map((p) => p.name.toLowerCase())),
    contexts: new Set(env.programs.flatMap((p) => p.contexts.map((c) => c.name.toLowerCase()))),
  },
})
