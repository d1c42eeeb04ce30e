import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/** Keeps a program's key file under a name, so that it can be written anew without it; one of the same name and program is replaced. */
export const keepKeyFile = edit(
  (plan: Plan, file: { readonly programId: string; readonly name: string; readonly text: string }) => {
    const name = file.name.trim().slice(0, 120)
    if (name === '' || !plan.programs.some((p) => p.id === file.programId)) return
    const files = (plan.keyFiles ??= [])
    const known = files.find((f) => f.programId === file.programId && f.name === name)
    if (known) known.text = file.text
    else files.push({ id: freshId(name, new Set(files.map((f) => f.id))), ...file, name })
  },
)

/** Keeps a key file no longer. */
export const forgetKeyFile = edit((plan: Plan, id: string) => {
  const files = plan.keyFiles?.filter((f) => f.id !== id) ?? []
  if (files.length > 0) plan.keyFiles = files
  else delete plan.keyFiles
})
