import { useState } from 'react'
import { Piles } from '../../parts/piles/piles.js'
import { Subtabs } from '../../parts/subtabs.js'
import { ComparingView } from './comparing.js'
import { TallyView } from './tally.js'

const ways = [
  { id: 'piles', name: 'A pile at a time' },
  { id: 'comparing', name: 'By comparing' },
  { id: 'tally', name: 'Tally' },
] as const

/** How often commands are used, without a log. */
export function PilesView() {
  const [way, setWay] = useState<(typeof ways)[number]['id']>('piles')
  return (
    <div className="min-h-0 min-w-0 grow overflow-y-auto px-[14px] py-3">
      <div className="flex items-center gap-6 border-b border-rule print:hidden">
        <h3 className="text-[15px] font-semibold">How often, without a log</h3>
        <Subtabs
          label="Ways of telling how often"
          tabs={ways}
          chosen={way}
          onChoose={(id) => setWay(ways.find((w) => w.id === id)?.id ?? 'piles')}
          className="h-8"
        />
      </div>
      {way === 'piles' ? <Piles /> : way === 'comparing' ? <ComparingView /> : <TallyView />}
    </div>
  )
}
