import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { readInstallationText } from '@/core/installation/read'
import { derive } from '@/core/derive/derive'
import { startingSpace } from '@/core/space/starting'
import { checkSpaceHere } from '@/core/space/checkSpace'
import { builtInScenarios } from '@/core/scenario/builtIn'
import { makeStage, rehearse } from '@/core/rehearse/run'
import { measure, measureContext } from '@/core/rehearse/measures'
import { findHunts, leastCalmBand } from '@/core/rehearse/hunting'
import { huntText, measureName, measureValue, momentText } from '@/core/rehearse/words'
const OVER: Record<string, object> = JSON.parse(readFileSync('/tmp/over.json', 'utf8'))
const only = process.argv[2]
for (const file of readdirSync('demo/installations').filter((f) => !f.includes('rev1') && (!only || f.includes(only)))) {
  const text = readFileSync(`demo/installations/${file}`, 'utf8')
  const o = readInstallationText(text)
  if (!o.ok) throw new Error(file + JSON.stringify(o.problems))
  const i = o.value
  const over = (OVER[file.replace('.json', '')] ?? {}) as any
  const start = startingSpace(i)
  const space = { ...start, ...(over.space ?? {}), serves: { ...start.serves, ...(over.serves ?? {}) }, probes: start.probes.map((p) => ({ ...p, ...(over.probes?.[p.input] ?? {}) })) } as typeof start
  if (process.env.WRITE) writeFileSync(`/tmp/space-${file}`, JSON.stringify(space))
  console.log('==', file, JSON.stringify(checkSpaceHere(space, i)), JSON.stringify(space.serves).slice(0, 420))
  const d = derive(i)
  for (const sc of builtInScenarios({ duty: i.brief.duty, probe: space.probes[0]?.input ?? null, fan: i.response.lead }, 1)) {
    const stage = makeStage(i, space, sc, 10)
    const tr = rehearse(stage, d.given.machine!)
    const ms = measure(tr, measureContext(stage, d.given.response))
    const h = findHunts(tr, d.given.machine!, stage)
    console.log(' ', sc.id.padEnd(16), ms.filter((m) => m.verdict !== 'none' && m.verdict !== 'pass' || ['hottest', 'coldest', 'dampest','above-band','below-band','above-damp', 'changes', 'starts'].includes(m.id)).map((m) => `${m.verdict === 'fail' ? '!' : m.verdict === 'wear' ? '~' : ''}${measureName(m)} ${measureValue(m)}${m.atS ? ' @' + momentText(sc.startsOn, m.atS) : ''}`).join('; '))
    if (h[0]) console.log('     HUNT', h.length, JSON.stringify(huntText(d.given.response, h[0], process.env.CALM ? leastCalmBand(i, stage, h[0]) : null, sc.startsOn)))
  }
}
