import { chromium } from '@playwright/test'
const [,, base, ...jobs] = process.argv
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-background-networking','--disable-component-update','--disable-sync','--no-first-run'] })
const errors = []
for (const job of jobs) {
  const [name, path, size='1280x800', scheme='light', act=''] = job.split('|')
  const [w,h] = size.split('x').map(Number)
  const c = await b.newContext({ viewport: {width:w,height:h}, colorScheme: scheme, storageState: globalThis.st, hasTouch: w<500, isMobile: w<500 })
  const p = await c.newPage()
  p.on('console', m => { if (m.type()==='error') errors.push(name+': '+m.text()) })
  p.on('pageerror', e => errors.push(name+': '+e.message))
  if (!globalThis.st) { await p.goto(base+'/sign-in'); if (path!=='/sign-in') { await p.getByRole('button',{name:'Open the demo yard'}).click(); await p.waitForURL('**/yard'); globalThis.st = await c.storageState() } }
  let to = path
  if (path.startsWith('@')) { await p.goto(base+'/yard'); const [inst, stage] = path.slice(1).split('/'); const href = await p.getByRole('link',{name:new RegExp(inst)}).first().getAttribute('href'); to = href.replace(/respond$/, stage) }
  await p.goto(base+to); await p.waitForLoadState('networkidle')
  if (act) await p.evaluate(act)
  await p.waitForTimeout(400)
  await p.screenshot({ path: `/tmp/s/${name}.png` })
  await c.close()
}
await b.close()
console.log([...new Set(errors)].join('\n') || 'no console errors')
