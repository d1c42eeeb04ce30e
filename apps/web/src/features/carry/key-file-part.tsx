import { triggerName, type Arrangement } from '@reach-plot/core'
import { rewriteKeyFile, type RewrittenFile } from '@reach-plot/core/carry'
import { spellerOf } from '@reach-plot/core/key-tables'
import { useState } from 'react'
import { Dialog } from '../../parts/dialog.js'
import { chooseFile, download } from '../../parts/download.js'
import { howMany } from '../../parts/words.js'
import { showProblem } from '../../store/problem.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const whyWords: Readonly<Record<RewrittenFile['unsaid'][number]['why'], string>> = {
  'no key of a keyboard': 'no key of a keyboard',
  'this form has no word for it': 'this file has no word for it',
  'its action is not in the file': 'its action is not in the file',
  'it reads otherwise': 'the file would mean something else',
}

/** The arrangement written over a program's own key file, shown as a difference before it is saved. */
export function KeyFilePart({ programId, arrangement }: { programId: string; arrangement: Arrangement }) {
  const plan = usePlan()
  const { env } = useDerived()
  const [written, setWritten] = useState<{ readonly name: string; readonly file: RewrittenFile } | null>(null)
  const program = plan.programs.find((p) => p.id === programId)
  if (!program) return null
  const choose = async (): Promise<void> => {
    const file = await chooseFile('')
    if (!file) return
    try {
      const commands = plan.commands.filter((c) => c.programId === program.id)
      const text = await file.text()
      setWritten({
        name: file.name,
        file: rewriteKeyFile(text, file.name, commands, arrangement.placements, spellerOf(env)),
      })
    } catch (error) {
      showProblem(error)
    }
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
      {written && <DifferenceDialog {...written} onClose={() => setWritten(null)} />}
    </section>
  )
}

function DifferenceDialog({
  name,
  file,
  onClose,
}: {
  name: string
  file: RewrittenFile
  onClose: () => void
}) {
  const { env } = useDerived()
  const { changes, unsaid, found, text } = file
  return (
    <Dialog
      title={`${name}: ${howMany(changes.length, 'line changes', 'lines change')}`}
      wide
      reading
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
              download(text, name, 'text/plain')
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
      {unsaid.length > 0 && (
        <>
          <h4 className="caption mt-4">What this file cannot say</h4>
          <ul className="mt-1">
            {unsaid.map((u) => (
              <li
                key={`${u.command.id} ${triggerName(u.trigger, env)}`}
                className="border-b border-rule py-1"
              >
                {u.command.name} on <b>{triggerName(u.trigger, env)}</b>: {whyWords[u.why]}
              </li>
            ))}
          </ul>
        </>
      )}
    </Dialog>
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
