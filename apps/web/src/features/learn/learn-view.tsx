import { LearnSide } from './learn-side.js'
import { MeasuredSide } from './measured-side.js'
import { PracticeBench } from './practice-bench.js'
import { Prompt } from './prompt.js'
import { Soundings } from './soundings.js'
import { useLearn } from './use-learn.js'

/** Practice: what is new and due today, asked one by one; what the answers say. */
export function LearnView() {
  const view = useLearn()
  const { state, session } = view
  return (
    <>
      <LearnSide view={view} />
      <section aria-label="Practice" className="flex min-w-0 grow flex-col bg-paper">
        <Prompt view={view} />
        {state?.kind === 'name' ? <div className="grow" /> : <HiddenBench view={view} />}
        <Soundings given={session.given} />
      </section>
      <MeasuredSide view={view} />
    </>
  )
}

/** Eyes away: the bench is hidden until the answer is shown, unless only the drawing can answer. */
function HiddenBench({ view }: { view: ReturnType<typeof useLearn> }) {
  const { state, way } = view
  if (state?.kind === 'hidden' && !state.shown && way !== 'drawn')
    return <p className="grow px-[34px] text-ink-2">The bench is hidden: the hand finds it by itself.</p>
  return <PracticeBench view={view} />
}
