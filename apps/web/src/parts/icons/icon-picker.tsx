import { addIcon } from '@reach-plot/core'
import { useState } from 'react'
import type { Icon } from '@reach-plot/core/label-design'
import type { IconSet } from '@reach-plot/core/labels'
import { chooseFile } from '../download.js'
import { showProblem } from '../../store/problem.js'
import { useEdit } from '../../store/plan-store.js'
import { readSvgIcon } from './own-svg.js'

/** Icons that are shown at a time. */
const most = 60

/** An icon as it is printed, in the colour of the text around it. */
export function IconImage({ icon, size = 22 }: { icon: Icon; size?: number }) {
  const { units, paths } = icon
  return (
    <svg viewBox={`0 0 ${units} ${units}`} width={size} height={size} aria-hidden="true" className="shrink-0">
      {paths.map(({ d, strokeUnits }, i) => (
        <path
          key={i}
          d={d}
          fill={strokeUnits === null ? 'currentColor' : 'none'}
          stroke={strokeUnits === null ? 'none' : 'currentColor'}
          strokeWidth={strokeUnits ?? 0}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  )
}

/** Looks for an icon by what it shows, or takes one from an SVG file. */
export function IconPicker({
  icons,
  start,
  onChoose,
}: {
  icons: IconSet
  /** what is looked for at first */
  start: string
  onChoose: (id: string) => void
}) {
  const edit = useEdit()
  const [words, setWords] = useState(start)
  const found = words.trim() === '' ? [] : icons.search(words, most)
  const take = async (): Promise<void> => {
    const file = await chooseFile('.svg,image/svg+xml')
    if (!file) return
    try {
      const icon = readSvgIcon(await file.text(), file.name)
      const id = edit((plan) => addIcon(plan, icon))
      if (id !== null) onChoose(id)
    } catch (error) {
      showProblem(error)
    }
  }
  return (
    <div className="border border-rule p-2">
      <div className="flex gap-2">
        <input
          className="field min-w-0 grow"
          aria-label="Find an icon by what it shows"
          placeholder="what it shows, such as map or lock"
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <button type="button" className="btn" onClick={() => void take()}>
          Own SVG file …
        </button>
      </div>
      {found.length === 0 ? (
        <p className="mt-2 text-ink-2">
          {words.trim() === '' ? 'Type a word.' : 'No icon shows that. Try another word.'}
        </p>
      ) : (
        <ul aria-label="Icons" className="mt-2 flex max-h-[132px] flex-wrap gap-1 overflow-y-auto p-0.5">
          {found.map((id) => {
            const icon = icons.get(id)
            return (
              icon && (
                <li key={id}>
                  <button
                    type="button"
                    className="btn h-9 w-9 p-0"
                    aria-label={`Icon ${icon.name}`}
                    title={icon.name}
                    onClick={() => onChoose(id)}
                  >
                    <IconImage icon={icon} />
                  </button>
                </li>
              )
            )
          })}
        </ul>
      )}
    </div>
  )
}
