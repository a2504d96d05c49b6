import { randomUUID } from 'node:crypto'
import { DEMO_EMAIL, DEMO_PASSWORD } from '@/server/demoAccount'
import { pause, until } from '../run'
import { signIn } from './signIn'

type Copy = { readonly version: number; readonly document: Record<string, unknown> }

/** When a save was begun and when it was acknowledged, ms of the machine. */
type Acknowledged = { readonly begunMs: number; readonly atMs: number }

export type Kept = {
  readonly acknowledged: number
  /** Acknowledged, and not there. */
  readonly lost: number
  /** There more than once. */
  readonly doubled: number
  /** What is there is not what was acknowledged last. */
  readonly half: number
}

const ANSWER_MS = 5000

/** A pair of hands at one installation: saves as a page does, the same save again until it is answered, and knows what was acknowledged. */
export class Hand {
  readonly acknowledged: Acknowledged[] = []
  private version = 0
  private first = 0
  private name = ''
  private document: Record<string, unknown> = {}

  /** @param url where the server is reached; a cable or a balancer may lie between */
  constructor(
    private readonly url: string,
    private readonly cookie: string,
    private readonly id: string,
  ) {}

  private ask(init: RequestInit = {}): Promise<Response | null> {
    const headers = { 'content-type': 'application/json', origin: this.url, cookie: this.cookie }
    const path = `/api/working-copy/${this.id}`
    return fetch(this.url + path, { ...init, headers, signal: AbortSignal.timeout(ANSWER_MS) }).catch(() => null)
  }

  private async read(): Promise<Copy> {
    let copy: Copy | null = null
    await until(async () => {
      const answer = await this.ask()
      copy = answer?.ok ? ((await answer.json().catch(() => null)) as Copy | null) : null
      return copy !== null
    }, 90)
    if (copy === null) throw new Error(`installation ${this.id} is not readable`)
    return copy
  }

  async begin(): Promise<void> {
    ;({ version: this.version, document: this.document } = await this.read())
    this.first = this.version
    this.name = String(this.document.name)
  }

  async write(isOver: () => boolean): Promise<void> {
    const called = this.name
    while (!isOver()) {
      const name = `${called} ${this.version}`
      const document = { ...this.document, name }
      const body = JSON.stringify({ baseVersion: this.version, saveId: randomUUID(), document })
      const begunMs = Date.now()
      let version = 0
      // What was begun is sent until it is answered, also when all is over: only then is it known what was acknowledged.
      const isAnswered = await until(async () => {
        const answer = await this.ask({ method: 'PUT', body })
        if (answer?.status !== 200) return false
        version = ((await answer.json().catch(() => null)) as { version: number } | null)?.version ?? 0
        return version > 0
      }, 180)
      if (!isAnswered) throw new Error(`installation ${this.id} took no save for three minutes`)
      this.version = version
      this.name = name
      this.acknowledged.push({ begunMs, atMs: Date.now() })
    }
  }

  /** Hears what others keep of the installation, as a page that is open does, and asks anew when it is cut off. */
  async hear(onNews: () => void, isOver: () => boolean): Promise<void> {
    while (!isOver()) {
      const answer = await fetch(`${this.url}/api/live?installation=${this.id}`, {
        headers: { cookie: this.cookie },
      }).catch(() => null)
      const reader = answer?.ok ? answer.body?.pipeThrough(new TextDecoderStream()).getReader() : undefined
      while (reader) {
        const { done, value } = await reader.read().catch(() => ({ done: true, value: undefined }))
        if (done || isOver()) break
        if (value?.includes('"version"')) onNews()
      }
      await reader?.cancel().catch(() => undefined)
      await pause(1000)
    }
  }

  /** Reads what is there and compares it with what was acknowledged: nobody else writes. */
  async kept(): Promise<Kept> {
    const { version, document } = await this.read()
    const acknowledged = this.acknowledged.length
    return {
      acknowledged,
      lost: Math.max(0, this.first + acknowledged - version),
      doubled: Math.max(0, version - this.first - acknowledged),
      half: document.name === this.name ? 0 : 1,
    }
  }
}

/** One pair of hands at each installation of the demo, signed in at the server and reaching it by another address, of a cable or a balancer. */
export async function handsAt(url: string, through: string): Promise<readonly Hand[]> {
  const cookie = await signIn(url, DEMO_EMAIL, DEMO_PASSWORD)
  if (cookie === null) throw new Error('nobody can sign in')
  const answer = await fetch(`${url}/api/find?holds=`, { headers: { cookie } })
  const { found } = (await answer.json()) as { found: { id: string }[] }
  const hands = found.map(({ id }) => new Hand(through, cookie, id))
  for (const hand of hands) await hand.begin()
  return hands
}

const NOTHING: Kept = { acknowledged: 0, lost: 0, doubled: 0, half: 0 }

export async function keptByAll(hands: readonly Hand[]): Promise<Kept> {
  const each = await Promise.all(hands.map((hand) => hand.kept()))
  return each.reduce(
    (sum, one) => ({
      acknowledged: sum.acknowledged + one.acknowledged,
      lost: sum.lost + one.lost,
      doubled: sum.doubled + one.doubled,
      half: sum.half + one.half,
    }),
    NOTHING,
  )
}

/** How long after a moment the first save was acknowledged that was begun after it, ms; null where none was. */
export function recoveryMs(hands: readonly Hand[], sinceMs: number): number | null {
  const at = hands.flatMap(({ acknowledged }) =>
    acknowledged.filter(({ begunMs }) => begunMs >= sinceMs).map(({ atMs }) => atMs),
  )
  return at.length === 0 ? null : Math.min(...at) - sinceMs
}

/** The longest time in which nobody's save was acknowledged, ms. */
export function longestGapMs(hands: readonly Hand[]): number {
  const at = hands.flatMap(({ acknowledged }) => acknowledged.map(({ atMs }) => atMs)).sort((a, b) => a - b)
  return at.reduce((most, atMs, index) => Math.max(most, index === 0 ? 0 : atMs - at[index - 1]!), 0)
}

export const sayKept = ({ acknowledged, lost, half, doubled }: Kept): string =>
  `${acknowledged} saves acknowledged, ${lost} lost, ${half} half, ${doubled} doubled (aims 0)`

export const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`
