import { readFileSync } from 'node:fs'
import { readInstallationText } from '@/core/installation/read'
import { derive } from '@/core/derive/derive'
import { spaceOf } from '@/core/space/starting'
import { builtInScenarios } from '@/core/scenario/builtIn'
import { makeStage, rehearse, warmUp } from '@/core/rehearse/run'
const o = readInstallationText(readFileSync(`demo/installations/fruiting-room.json`, 'utf8'))
if (!o.ok) throw new Error()
const i = o.value
const space = spaceOf(i)
const scs = builtInScenarios({ duty: i.brief.duty, probe: null, fan: i.response.lead }, 7)
const d = derive(i)
const stage = makeStage(i, space, scs[0]!, 60)
const warm = warmUp(stage, d.given.machine!)
let into = rehearse(stage, d.given.machine!, warm)
for (let k = 0; k < 30; k++) { const t0 = process.cpuUsage().user; rehearse(stage, d.given.machine!, warm, into); if (k % 5 === 0) console.log(((process.cpuUsage().user - t0) / 1000).toFixed(1), 'ms cpu') }
