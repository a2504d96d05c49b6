/** What is listened for. */
export const TOUR_EVENTS = ['pointerup', 'change', 'click'] as const
type TourEvent = (typeof TOUR_EVENTS)[number]

/** One step of the tour: what to do, and by what it is known to be done. */
export type TourStep = {
  readonly title: string
  readonly text: string
  /** Where it is done. */
  readonly at: RegExp
  /** What is done there; being there is enough where none is named. */
  readonly act?: { readonly event: TourEvent; readonly on: string }
}

/** Seven things a person does in the demo, in the order of the work. */
export const TOUR: readonly TourStep[] = [
  {
    title: 'The yard',
    text: 'Each row is an installation with its rail: hatched where the fan will not turn, tinted between its lowest and highest speed, the pointer where it runs. Open Fruiting room 2; in a yard of your own any will do.',
    at: /^\/installation\/[^/]+\/respond$/,
  },
  {
    title: 'Try it',
    text: 'Under Try it (a button on a phone) move the slider of the room temperature. Speed, signal, flow and the reason follow.',
    at: /\/respond$/,
    act: { event: 'pointerup', on: '.MuiSlider-root' },
  },
  {
    title: 'A sentence',
    text: 'Each rule is a sentence. Type another figure into one and press Enter: the curve follows, and “kept” in the bar says that the change is safe. Ctrl Z takes it back.',
    at: /\/respond$/,
    act: { event: 'change', on: 'main input:not([type=range])' },
  },
  {
    title: 'Dial in',
    text: 'Open Dial in: what to press at this controller, counted from what its panel shows. Tick the first action.',
    at: /\/dial-in$/,
    act: { event: 'click', on: 'main [role=checkbox], main input[type=checkbox]' },
  },
  {
    title: 'Prove',
    text: 'Open Prove: one check at a time. It says what to bring about, what the meter should show, and how much error is allowed.',
    at: /\/prove$/,
  },
  {
    title: 'Hand over',
    text: 'Open Hand over: everything that is still open, a row a stage. A seal keeps the setting for good, with its reason and with what stays open.',
    at: /\/hand-over$/,
  },
  {
    title: 'What needs you',
    text: 'Go back to the yard: what needs you stands at the side, first on a phone, each with the one thing to do.',
    at: /^\/yard$/,
  },
]

/** Whether a step is done by something that happened at an address.
 *  @param event what happened and where on the page; null where somebody came there */
export function isDone(
  step: TourStep,
  path: string,
  event: { readonly kind: string; readonly target: Element } | null,
): boolean {
  if (!step.at.test(path)) return false
  if (!step.act) return true
  return event !== null && event.kind === step.act.event && event.target.closest(step.act.on) !== null
}
