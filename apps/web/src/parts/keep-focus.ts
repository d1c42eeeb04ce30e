const focusable =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex="-1"])'

/** Where the focus was: the element, and what it lay in, each with its place among its siblings, inmost first. */
interface Place {
  readonly element: Element
  readonly around: readonly { readonly parent: Element; readonly at: number }[]
}

const placeOf = (element: Element): Place => {
  const around: { parent: Element; at: number }[] = []
  for (let at = element; at.parentElement && at !== document.body; at = at.parentElement)
    around.push({ parent: at.parentElement, at: [...at.parentElement.children].indexOf(at) })
  return { element, around }
}

const isSeen = (element: Element): boolean => element.getClientRects().length > 0

/** What stands nearest to where the element was: after it, else before it, else in what lies around. */
function nearestTo({ element, around }: Place): HTMLElement | null {
  // one that cannot be worked any more is still there
  if (element.isConnected && element.matches(focusable)) return null
  for (const { parent, at } of around) {
    if (!parent.isConnected) continue
    const children = [...parent.children]
    for (const child of [...children.slice(at), ...children.slice(0, at).toReversed()]) {
      const found = child.matches(focusable) ? child : child.querySelector(focusable)
      if (found instanceof HTMLElement && found !== element && isSeen(found)) return found
    }
  }
  return document.getElementById('view')
}

/**
 * Keeps the focus from falling to the page when what has it is taken away or can no longer be pressed, such as the row of a
 * command that is deleted: it goes to what stands nearest.
 */
export function keepFocus(): void {
  let last: Place | null = null
  document.addEventListener('focusin', ({ target }) => {
    if (target instanceof Element && target !== document.body) last = placeOf(target)
  })
  // who works by the pointer looks for no focus
  let isByKeys = false
  document.addEventListener('pointerdown', () => (isByKeys = false), true)
  document.addEventListener('keydown', () => (isByKeys = true), true)
  let isAsked = false
  const look = (): void => {
    isAsked = false
    if (!last || !isByKeys || (document.activeElement !== null && document.activeElement !== document.body))
      return
    if (last.element.isConnected && !last.element.matches(':disabled')) return
    nearestTo(last)?.focus()
  }
  new MutationObserver(() => {
    if (isAsked || !last || !isByKeys) return
    isAsked = true
    // a dialog that opens takes the focus first
    setTimeout(look, 60)
  }).observe(document.body, { childList: true, subtree: true, attributeFilter: ['disabled'] })
}
