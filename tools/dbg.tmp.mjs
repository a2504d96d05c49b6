import { chromium } from '@playwright/test'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu'] })
const p = await (await b.newContext()).newPage()
p.on('console', m => console.log('C', m.text().slice(0,500)))
p.on('pageerror', e => console.log('E', e.message.slice(0,500)))
let n=0; p.on('request', r => { if (n++<40) console.log(r.method(), r.url().slice(21,140)) })
await p.goto('http://127.0.0.1:4180/sign-in'); await p.getByRole('button',{name:'Open the demo yard'}).click(); await p.waitForURL('**/yard')
const href = await p.getByRole('link',{name:/Fruiting/}).first().getAttribute('href')
console.log(href); n=0
await p.goto('http://127.0.0.1:4180'+href); await p.waitForTimeout(3000); console.log('reqs', n)
await p.screenshot({path:'/tmp/s/dbg.png'})
await b.close()
