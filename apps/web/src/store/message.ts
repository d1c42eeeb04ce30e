import { toast as show, type ExternalToast } from 'sonner'

type Position = NonNullable<ExternalToast['position']>

/** Where a message may stand, the usual place first. */
const positions = [
  'bottom-center',
  'bottom-right',
  'bottom-left',
  'top-center',
  'top-right',
  'top-left',
] as const satisfies readonly Position[]

/** What a message takes at most, and how far it stands from the edges of the window, px. */
const size = { width: 480, height: 40 } as const
export const messageOffset = { top: 50, bottom: 40, left: 14, right: 14 } as const

const worked =
  'button, a[href], input, select, textarea, summary, [role=radio], [role=tab], [role=option], [data-code]'

/** How far apart the points are at which it is looked what lies there, px: less than the smallest control. */
const step = 12

function boxOf(position: Position): DOMRect {
  const [side, along] = position.split('-')
  const width = Math.min(size.width, innerWidth - messageOffset.left - messageOffset.right)
  const x =
    along === 'center'
      ? (innerWidth - width) / 2
      : along === 'left'
        ? messageOffset.left
        : innerWidth - width - messageOffset.right
  const y = side === 'top' ? messageOffset.top : innerHeight - size.height - messageOffset.bottom
  return new DOMRect(x, y, width, size.height)
}

/** What can be worked in a box, as far as it can be seen there; nothing where the page is not laid out. */
function workedIn(box: DOMRect): number {
  if (!('elementsFromPoint' in document)) return 0
  const found = new Set<Element>()
  for (let x = box.left; x <= box.right; x += step)
    for (let y = box.top; y <= box.bottom; y += step)
      for (const element of document.elementsFromPoint(x, y)) {
        if (element.closest('[data-sonner-toaster]')) continue
        const control = element.closest(worked)
        if (control) found.add(control)
        break
      }
  return found.size
}

/** The place in which a message covers the fewest controls; the usual one where all are alike. */
function freePosition(): Position {
  // stores are used without a page, too
  if (typeof document === 'undefined') return 'bottom-center'
  let best: { position: Position; count: number } | undefined
  for (const position of positions) {
    const count = workedIn(boxOf(position))
    if (count === 0) return position
    if (!best || count < best.count) best = { position, count }
  }
  return best?.position ?? 'bottom-center'
}

/** Says something for a while, where it covers no button; what can be undone stands beside it. */
export const toast = Object.assign(
  (message: string, options?: ExternalToast) => show(message, { position: freePosition(), ...options }),
  {
    error: (message: string, options?: ExternalToast) =>
      show.error(message, { position: freePosition(), ...options }),
  },
)
