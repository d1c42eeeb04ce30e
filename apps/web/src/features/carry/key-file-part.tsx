import {
  forgetKeyFile,
  keepKeyFile,
  mostKeyFileText,
  triggerName,
  type Arrangement,
  type KeptKeyFile,
} from '@reach-plot/core'
import { rewriteKeyFile, type RewrittenFile } from '@reach-plot/core/carry'
import { spellerOf } from '@reach-plot/core/key-tables'
import { useState } from 'react'
import { Dialog } from '../../parts/dialog.js'
import { chooseFile, download } from '../../parts/download.js'
import { TextField } from '../../parts/fields.js'
import { howMany } from '../../parts/words.js'
import { showProblem } from '../../store/problem.js'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const whyWords: Readonly<Record<RewrittenFile['unsaid'][number]['why'], string>> = {
  'no key of a keyboard': 'no key of a keyboard',
  'this form has no word for it': 'this file has no word for it',
  'its action is not in the file': 'its action is not in the file',
  'it reads otherwise': 'the file would mean something else',
}

interface Written {
  readonly name: string
  readonly file: RewrittenFile
}

/** The arrangement written over a program's own key file, shown as a difference before it is saved. */
export function KeyFilePart({ programId, arrangement }: { programId: string; arrangement: Arrangement }) {
  const plan = usePlan()
  const edit = useEdit()
  const { env } = useDerived()
  const [written, setWritten] = useState<Written | null>(null)
  const program = plan.programs.find((p) => p.id === programId)
  if (!program) return null
  const write = (text: string, name: string): void => {
    try {
      const commands = plan.commands.filter((c) => c.programId === program.id)
      const file = rewriteKeyFile(text, name, commands, arrangement.placements, spellerOf(env))
      setWritten({ name, file })
    } catch (error) {
      showProblem(error)
    }
  }
  const choose = async (): Promise<void> => {
    const file = await chooseFile('')
    const text = await file?.text().catch(showProblem)
    if (file && text !== undefined) write(text, file.name)
  }
  const keep = (name: string, text: string): void => {
    edit((now) => keepKeyFile(now, { programId, name, text }))
    toast(`“${name}” is kept with the plan.`, { action: undoAction() })
  }
  const kept = plan.keyFiles?.filter((f) => f.programId === programId) ?? []
  const save = (name: string, text: string): void => {
    download(text, name, 'text/plain')
    // what is kept under that name is the file as it is now
    if (kept.some((f) => f.name === name)) edit((now) => keepKeyFile(now, { programId, name, text }))
  }
  return (
    <section className="border-t border-rule px-[18px] py-4">
      <h4 className="caption">{program.name}’s key file, as yours is written</h4>
      <p className="mt-1 max-w-[560px] text-ink-2">
        Give the file in which {program.name} keeps its keys, as it is now. It is written over in its own
        form; only lines whose keys change are changed, and you see them first.
      </p>
      <button type="button" className="btn mt-2" onClick={() => void choose()}>
        Choose the key file…
      </button>
      <KeptFiles files={kept} onWrite={(f) => write(f.text, f.name)} />
      {written && (
        <DifferenceDialog {...written} onKeep={keep} onSave={save} onClose={() => setWritten(null)} />
      )}
    </section>
  )
}

/** Key files that are kept with the plan, to be written anew without the file. */
function KeptFiles({
  files,
  onWrite,
}: {
  files: readonly KeptKeyFile[]
  onWrite: (file: KeptKeyFile) => void
}) {
  const edit = useEdit()
  if (files.length === 0) return null
  return (
    <ul aria-label="Kept with the plan" className="mt-3 max-w-[560px] border-t border-rule">
      {files.map((f) => (
        <li key={f.id} className="flex items-center gap-3 border-b border-rule py-1.5">
          <b className="min-w-0 grow truncate" title={f.name}>
            {f.name}
          </b>
          <button type="button" className="btn" onClick={() => onWrite(f)}>
            Write it anew…
          </button>
          <button
            type="button"
            className="btn"
            aria-label={`Keep ${f.name} no longer`}
            onClick={() => {
              edit((now) => forgetKeyFile(now, f.id))
              toast(`“${f.name}” is kept no longer.`, { action: undoAction() })
            }}
          >
            Keep it no longer
          </button>
        </li>
      ))}
    </ul>
  )
}

function DifferenceDialog({
  name,
  file,
  onKeep,
  onSave,
  onClose,
}: Written & {
  onKeep: (name: string, text: string) => void
  onSave: (name: string, text: string) => void
  onClose: () => void
}) {
  const { changes, unsaid, found, text } = file
  return (
    <Dialog
      title={`${name}: ${howMany(changes.length, 'line changes', 'lines change')}`}
      wide
      onClose={onClose}
      actions={
        <>
          <button type="button" className="btn" onClick={onClose}>
            Close
          </button>
          <button
            type="button"
            className="btn btn-main"
            disabled={changes.length === 0}
            onClick={() => {
              onSave(name, text)
              onClose()
            }}
          >
            Save the new file
          </button>
        </>
      }
    >
      <p className="text-ink-2">
        {howMany(found, 'command of this program is', 'commands of this program are')} in the file.
      </p>
      {text.length <= mostKeyFileText && <KeepField name={name} onKeep={(as) => onKeep(as, text)} />}
      <table className="mt-2 w-full font-mono text-[12px]">
        <thead className="sr-only">
          <tr>
            <th>Line</th>
            <th>What</th>
            <th>Text</th>
          </tr>
        </thead>
        <tbody>
          {changes.flatMap(({ line, was, becomes }) => [
            ...(was === null ? [] : [<LineRow key={`${line} was`} line={line} sign="−" text={was} />]),
            ...(becomes === null
              ? []
              : [<LineRow key={`${line} becomes ${becomes}`} line={line} sign="+" text={becomes} />]),
          ])}
        </tbody>
      </table>
      {unsaid.length > 0 && <UnsaidList unsaid={unsaid} />}
    </Dialog>
  )
}

/** The name under which the file is kept with the plan. */
function KeepField({ name, onKeep }: { name: string; onKeep: (name: string) => void }) {
  const [keptAs, setKeptAs] = useState(name)
  return (
    <div className="mt-3 flex items-end gap-2">
      <TextField
        label="Keep it with the plan, to be written anew without the file, as"
        className="w-[380px]"
        value={keptAs}
        maxLength={120}
        onChange={setKeptAs}
      />
      <button
        type="button"
        className="btn"
        disabled={keptAs.trim() === ''}
        onClick={() => onKeep(keptAs.trim())}
      >
        Keep it
      </button>
    </div>
  )
}

function UnsaidList({ unsaid }: Pick<RewrittenFile, 'unsaid'>) {
  const { env } = useDerived()
  return (
    <>
      <h4 className="caption mt-4">What this file cannot say</h4>
      <ul className="mt-1">
        {unsaid.map((u) => (
          <li key={`${u.command.id} ${triggerName(u.trigger, env)}`} className="border-b border-rule py-1">
            {u.command.name} on <b>{triggerName(u.trigger, env)}</b>: {whyWords[u.why]}
          </li>
        ))}
      </ul>
    </>
  )
}

function LineRow({ line, sign, text }: { line: number; sign: '−' | '+'; text: string }) {
  return (
    <tr className={sign === '+' ? 'bg-reach-1' : 'text-ink-2'}>
      <td className="w-[52px] pr-2 text-right tabular-nums">{line}</td>
      <td className="w-[20px]">
        {sign}
        <span className="sr-only">{sign === '+' ? 'becomes' : 'was'}</span>
      </td>
      <td className="whitespace-pre-wrap">{text}</td>
    </tr>
  )
}
