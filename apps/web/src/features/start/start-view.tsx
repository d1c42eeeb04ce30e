import { useEffect, useRef } from 'react'
import { Link } from 'react-router'
import { DeskMap } from '../../drawing/desk-map.js'
import { Piles } from '../../parts/piles/piles.js'
import { CommandsStep } from './commands-step.js'
import { DeskStep } from './desk-step.js'
import { HandStep } from './hand-step.js'
import { ReachSentence } from './reach-sentence.js'
import { SystemStep } from './system-step.js'
import { goToStep } from '../../store/start.js'
import { steps, useStart } from './use-start.js'

const titles = [
  'What stands on your desk?',
  'Which hand rests on the keys?',
  'Which system, layout and programs?',
  'Which commands do you use?',
  'How often do you use them?',
] as const

const pilesStep = 4

/** From an empty plan to a first proposal in a few steps, each of which can be passed over. */
export function StartView() {
  const { step, next, nextWords } = useStart()
  const heading = useRef<HTMLHeadingElement>(null)
  // a new step is read from its title on
  useEffect(() => {
    // the piles take keys themselves
    if (step !== pilesStep) heading.current?.focus()
  }, [step])
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key !== 'Enter' || event.defaultPrevented) return
      // from a title one goes on; elsewhere Enter has its own meaning
      if (event.ctrlKey || event.metaKey || event.target === heading.current) {
        event.preventDefault()
        next()
      }
    }
    addEventListener('keydown', onKeyDown)
    return () => removeEventListener('keydown', onKeyDown)
  })
  const hasDesk = step < 2
  return (
    <div className="flex min-h-0 min-w-0 grow flex-col">
      <div className="flex min-h-0 grow">
        <section
          aria-label="Start"
          className={`flex min-h-0 min-w-0 flex-col px-[26px] pt-5 ${step === 3 ? '' : 'overflow-y-auto pb-5'} ${hasDesk ? 'w-1/2 min-w-[420px] border-r border-rule bg-panel' : 'grow'}`}
        >
          <ol className="flex flex-wrap gap-x-5 gap-y-1">
            {steps.map((name, i) => (
              <li key={name}>
                <button
                  type="button"
                  aria-current={i === step ? 'step' : undefined}
                  className="caption border-b-2 border-transparent pb-1 aria-[current=step]:border-magenta aria-[current=step]:text-ink"
                  onClick={() => goToStep(i)}
                >
                  {i + 1} {name}
                </button>
              </li>
            ))}
          </ol>
          <h2
            ref={heading}
            tabIndex={-1}
            className="mt-3 text-[26px] leading-tight font-semibold outline-none"
          >
            {titles[step]}
          </h2>
          {step === 0 && <DeskStep />}
          {step === 1 && <HandStep />}
          {step === 2 && <SystemStep />}
          {step === 3 && <CommandsStep />}
          {step === 4 && <Piles />}
        </section>
        {hasDesk && (
          <div className="flex min-w-0 grow flex-col">
            <DeskMap chosenId={null} onChoose={() => undefined} />
            <p className="bg-paper px-6 pb-4 font-chart text-[14px]">
              <ReachSentence />
            </p>
          </div>
        )}
      </div>
      <div className="flex shrink-0 flex-wrap items-center justify-end gap-2 border-t border-rule bg-panel px-5 py-3">
        {step > 0 && (
          <button type="button" className="btn mr-auto" onClick={() => goToStep(step - 1)}>
            Back
          </button>
        )}
        <Link to="/" className="btn">
          Leave the start
        </Link>
        <button type="button" className="btn btn-main" onClick={next}>
          {nextWords} <span className="text-[12px] font-normal">Ctrl+Enter</span>
        </button>
      </div>
    </div>
  )
}
