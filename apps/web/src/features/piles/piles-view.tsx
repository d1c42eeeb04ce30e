import { Piles } from '../../parts/piles/piles.js'

/** How often commands are used, without a log. */
export const PilesView = () => (
  <div className="min-h-0 min-w-0 grow overflow-y-auto px-[14px] py-3">
    <h3 className="text-[15px] font-semibold">How often, a pile at a time</h3>
    <Piles />
  </div>
)
