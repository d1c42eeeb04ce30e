import { Listbox, ListboxButton, ListboxOption, ListboxOptions, Radio, RadioGroup } from '@headlessui/react'
import { ChevronDown } from 'lucide-react'
import { heldKey } from '../../store/reach.js'
import { modifierSetName } from '../../parts/words.js'
import { useHeldStrip, type HeldTab } from './use-held-strip.js'

/**
 * The sets of modifiers that may be held, under the chart: one is chosen here or by holding the real keys. Each says how
 * many places are free with it, and while a key is looked at what that key does.
 */
export function HeldStrip() {
  const view = useHeldStrip()
  const { tabs, legend, heldName, choose } = view
  const most = Math.max(...tabs.map(({ free }) => (free ? free.easy + free.stretch : 0)))
  const perBar = Math.max(1, Math.ceil(most / mostBars))
  return (
    // out of the flow, so that a change of text here does not lay the chart's hundreds of texts out anew
    <div className="relative h-[74px] shrink-0 border-t border-rule bg-panel">
      <div className="absolute inset-0 flex [contain:strict]">
        <div className="flex w-[74px] shrink-0 flex-col justify-center border-r border-rule px-2">
          <span className="caption">Held</span>
          {legend === null ? (
            <span className="text-[12px] leading-tight text-ink-2">free: easy + a&nbsp;stretch</span>
          ) : (
            <span className="truncate font-chart text-[18px] leading-tight font-semibold">{legend}</span>
          )}
        </div>
        <RadioGroup
          aria-label="Held modifiers"
          className="flex min-w-0 grow overflow-x-auto"
          value={heldName}
          onChange={(key: string) => choose(tabs.find((t) => t.key === key)?.held ?? [])}
        >
          {tabs.map((tab) => (
            <Tab key={tab.key} tab={tab} perBar={perBar} />
          ))}
        </RadioGroup>
        <MoreSets view={view} />
      </div>
    </div>
  )
}

function Tab({ tab: { key, name, free, there }, perBar }: { tab: HeldTab; perBar: number }) {
  const told =
    free === null
      ? 'being computed'
      : `${free.easy} places free within easy reach, ${free.stretch} at a stretch`
  return (
    <Radio
      value={key}
      aria-label={name}
      aria-description={told}
      title={`${name}: ${told}`}
      className="flex min-w-[62px] grow basis-0 cursor-pointer flex-col border-r border-rule px-1 pt-1.5 first:grow-[1.2] font-chart leading-tight hover:bg-reach-1 data-checked:bg-ink data-checked:text-panel [&[data-checked]_*]:text-panel"
    >
      <span className="h-[17px] truncate text-[13px] font-semibold">{name}</span>
      {there ? (
        <>
          <span
            className={`mt-1 truncate text-[13px] ${there.isReserved ? 'text-magenta' : there.isTaken ? 'font-semibold' : 'text-ink-2'}`}
          >
            {there.text}
          </span>
          <span className="truncate text-[12px] text-ink-2">{there.reach}</span>
        </>
      ) : (
        <>
          <Bars free={free} perBar={perBar} />
          <span className="text-[12px] text-ink-2">
            {free === null ? '…' : `${free.easy} + ${free.stretch}`}
          </span>
        </>
      )}
    </Radio>
  )
}

/** So many strokes fit. */
const mostBars = 14

/** A stroke for so many free places, those within easy reach taller. */
function Bars({ free, perBar }: { free: HeldTab['free']; perBar: number }) {
  const { easy, stretch } = free ?? { easy: 0, stretch: 0 }
  const shownEasy = Math.ceil(easy / perBar)
  const shown = Math.min(mostBars, shownEasy + Math.ceil(stretch / perBar))
  return (
    <svg
      className="mt-1 h-[16px] w-full"
      aria-hidden="true"
      preserveAspectRatio="xMinYMid meet"
      viewBox="0 0 56 16"
    >
      {Array.from({ length: shown }, (_, i) => (
        <rect
          key={i}
          x={i * 4}
          y={i < shownEasy ? 1 : 7}
          width={2.6}
          height={i < shownEasy ? 14 : 8}
          className={i < shownEasy ? 'fill-reach-5' : 'fill-reach-3'}
        />
      ))}
    </svg>
  )
}

/** Sets that have no column: three modifiers, and those of other layouts. */
function MoreSets({ view: { more, choose, systemId } }: { view: ReturnType<typeof useHeldStrip> }) {
  if (more.length === 0) return null
  return (
    <Listbox value="" onChange={(key: string) => choose(more.find((s) => heldKey(s) === key) ?? [])}>
      <ListboxButton
        aria-label="More sets of modifiers"
        className="flex w-[52px] shrink-0 flex-col items-center justify-center text-[12px] text-ink-2 hover:bg-reach-1"
      >
        more <ChevronDown size={14} aria-hidden="true" />
      </ListboxButton>
      <ListboxOptions anchor="top end" className="menu-panel max-h-[420px]! w-[190px] overflow-y-auto">
        {more.map((s) => (
          <ListboxOption key={heldKey(s)} value={heldKey(s)} className="menu-item cursor-pointer">
            {modifierSetName(s, systemId)}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  )
}
