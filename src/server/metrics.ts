import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'
import { poolFigures } from '@/db/client'

function makeMetrics() {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry, prefix: 'gale_' })
  new Gauge({
    name: 'gale_database_connections',
    help: 'Connections to the database: in use, idle, and requests that wait for one.',
    labelNames: ['state'],
    registers: [registry],
    collect() {
      for (const [state, count] of Object.entries(poolFigures())) this.set({ state }, count)
    },
  })
  const answers = new Counter({
    name: 'gale_answers_total',
    help: 'Answers by status.',
    labelNames: ['status'],
    registers: [registry],
  })
  const seconds = new Histogram({
    name: 'gale_answer_seconds',
    help: 'Time to an answer, streams apart.',
    buckets: [0.01, 0.03, 0.1, 0.2, 0.3, 1, 3, 10],
    registers: [registry],
  })
  return { registry, answers, seconds }
}

const held = globalThis as { galeMetrics?: ReturnType<typeof makeMetrics> }
const metrics = () => (held.galeMetrics ??= makeMetrics())

export const metricsText = (): Promise<string> => metrics().registry.metrics()

/** Counts an answer. */
export function countAnswer(status: number, ms: number): void {
  metrics().answers.inc({ status: String(status) })
  metrics().seconds.observe(ms / 1000)
}
