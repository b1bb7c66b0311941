// Where does the focus go when what had it is taken away, as a button that was tapped often is? To what is nearest, instead of to the page.
import { afterPaint } from './afterPaint.ts'

/** What the focus may go to: no field, so that no keyboard comes up on a phone. */
const focusable = 'a[href], button:not(:disabled), [role="button"], [role="tab"], summary'
const isShown = (element: Element) => element.checkVisibility({ visibilityProperty: true })

/** What had the focus, what holds it from the inside out, and how many such things were before it in each. */
interface Place {
  readonly element: Element
  readonly holders: readonly { readonly holder: Element; readonly before: number }[]
}
function placeOf(element: Element): Place {
  const holders: { holder: Element; before: number }[] = []
  for (let holder = element.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const own = [...holder.querySelectorAll(focusable)]
    holders.push({ holder, before: own.filter((other) => other.compareDocumentPosition(element) & Node.DOCUMENT_POSITION_FOLLOWING).length })
    if (holder.matches('main, [role="dialog"]')) break
  }
  return { element, holders }
}

/**
 * What the focus goes to from a place: in the nearest holder that is still there what is to be done now, else what came after, else what is
 * left; where nothing of the view is left it is another view, and that gets it itself.
 */
function nextFrom({ holders }: Place): HTMLElement | undefined {
  for (const { holder, before } of holders) {
    if (!holder.isConnected || !isShown(holder)) continue
    if (holder.matches('main')) return holder as HTMLElement
    const own = [...holder.querySelectorAll<HTMLElement>(focusable)].filter(isShown)
    const next = own.find((element) => element.matches('.now')) ?? own.at(Math.min(before, own.length - 1))
    if (next) return next
  }
  return undefined
}

/** Keeps the focus where the work is, for as long as the page is open. */
export function keepFocus(): void {
  let place: Place | undefined
  document.addEventListener('focusin', ({ target }) => {
    if (target instanceof Element && target !== document.body) place = placeOf(target)
  })
  const look = () => {
    const isLost = document.activeElement === null || document.activeElement === document.body
    const isGone = place && (!place.element.isConnected || place.element.matches(':disabled') || !isShown(place.element))
    if (!place || !isLost || !isGone) return
    const next = nextFrom(place)
    if (!next) return
    if (next.matches('main')) next.tabIndex = -1
    next.focus({ preventScroll: true })
  }
  // Once what was asked for is drawn; a view that is fetched first is looked for again when it is there. A greyed button keeps the focus until
  // the page is painted, and nothing needs to change after that.
  let callOff = () => {}
  const lookTwice = () => {
    queueMicrotask(look)
    callOff()
    callOff = afterPaint(look)
  }
  new MutationObserver(lookTwice).observe(document.body, {
    childList: true,
    subtree: true,
    attributeFilter: ['disabled', 'aria-busy'],
  })
}
