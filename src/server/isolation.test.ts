import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { USUAL_DATES } from '@/core/quantity/dateStyle'
import type { CheckReading } from '@/core/prove/reading'
import type { ReadingLayout } from '@/core/formats/readingsCsv/layout'
import { inWorkspace, type Scope } from '@/db/client'
import * as checkResults from '@/db/queries/checkResult'
import * as controllerModels from '@/db/queries/controllerModel'
import * as audits from '@/db/queries/audit'
import * as bins from '@/db/queries/bin'
import * as importJobs from '@/db/queries/importJob'
import * as installations from '@/db/queries/installation'
import * as installationLines from '@/db/queries/installationLine'
import * as invites from '@/db/queries/invite'
import * as lives from '@/db/queries/live'
import * as logs from '@/db/queries/log'
import * as members from '@/db/queries/member'
import * as photos from '@/db/queries/photo'
import * as presences from '@/db/queries/presence'
import * as readings from '@/db/queries/reading'
import * as revisions from '@/db/queries/revision'
import * as shares from '@/db/queries/shareLink'
import * as sites from '@/db/queries/site'
import * as withins from '@/db/queries/within'
import * as workspaces from '@/db/queries/workspace'
import * as workspaceFiles from '@/db/queries/workspaceFile'
import { newScope, useThrowawayDatabase } from '@/db/testing/throwawayDatabase'
import { heartbeat } from '@/server/commands/heartbeat'
import { cancelImport } from '@/server/commands/cancelImport'
import { choosePreference } from '@/server/commands/choosePreference'
import { copyInstallation, moveInstallation } from '@/server/commands/copyAndMove'
import { keepSite } from '@/server/commands/keepSite'
import { importReadingsFile } from '@/server/commands/importReadingsFile'
import { keepFeeds } from '@/server/commands/keepFeeds'
import { replaceText } from '@/server/commands/replaceText'
import { changeRole, leaveWorkspace } from '@/server/commands/changeRole'
import { invitePerson } from '@/server/commands/invitePerson'
import { joinWorkspace } from '@/server/commands/joinWorkspace'
import { place } from '@/server/commands/place'
import { renameWorkspace } from '@/server/commands/renameWorkspace'
import { switchWorkspace } from '@/server/commands/switchWorkspace'
import { withdrawInvitation } from '@/server/commands/withdrawInvitation'
import { keepController } from '@/server/commands/keepController'
import { keepLocalRules } from '@/server/commands/keepLocalRules'
import { keepVisit } from '@/server/commands/keepVisit'
import { endShare, shareRecord } from '@/server/commands/shareRecord'
import { keepPhoto } from '@/server/commands/keepPhoto'
import { keepCheck } from '@/server/commands/keepCheck'
import { keepWorkingCopy } from '@/server/commands/keepWorkingCopy'
import { importInstallation, makeInstallation } from '@/server/commands/makeInstallation'
import { seal } from '@/server/commands/seal'
import { sendReadings } from '@/server/commands/sendReadings'
import { writeLog } from '@/server/commands/writeLog'
import { demoInstallation, demoModel, demoText } from '@/testing/examples'

useThrowawayDatabase()

const document = demoInstallation('fruiting-room')
const reading: CheckReading = { kind: 'speed', steps: [{ inputs: {}, fansPct: { exhaust: 25 } }] }
const layout: ReadingLayout = {
  delimiter: ',',
  decimal: '.',
  dateOrder: 'ymd',
  zone: 'as-written',
  skipLines: 0,
  timeIndex: 0,
  columns: [{ index: 1, name: 'temperature', quantity: 'temperature', unit: '°C' }],
}
const csv = async function* () {
  yield await Promise.resolve(new TextEncoder().encode(demoText('readings/inverter-cupboard-14-nov.csv')))
}

let mine: Scope
let stranger: Scope
let id: string
let fileId: string
let jobId: string
let pageId: string
let siteId: string
const photoId = randomUUID()
const PICTURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
const inviteId = randomUUID()
const shareId = randomUUID()
const SHARE = { forWhom: 'the keeper', expiresAt: new Date(Date.now() + 3_600_000) }
const NO_FACTS = { address: '', contact: '', access: '', zone: '' }
const RULE = { id: 'rule', duty: 'every', text: 'Two people on a roof.', edition: '2nd', dated: '2026-03-01' } as const

const lineOf = (name: string): installationLines.KeptLine => ({
  installationId: id,
  name,
  duty: null,
  needs: 0,
  isAsSealed: false,
  line: {},
  version: 1,
  sealNumber: null,
})

/** Everything a workspace can hold. */
beforeAll(async () => {
  mine = await newScope()
  stranger = await newScope('Ada Fenn')
  id = randomUUID()
  fileId = randomUUID()
  siteId = (await sites.ensureSite(mine, 'Lock Cottage')).id
  await sites.keepSite(mine, { id: siteId, name: 'Lock Cottage', ...NO_FACTS, access: 'key in the shed' })
  await installations.createInstallation(mine, { id, siteId, document })
  await invites.addInvite(mine, {
    id: inviteId,
    tokenHash: 'hash of mine',
    role: 'technician',
    email: '',
    expiresAt: new Date(Date.now() + 3_600_000),
  })
  await shares.addShareLink(mine, { ...SHARE, id: shareId, installationId: id, tokenHash: 'share of mine' })
  await workspaces.saveLocalRules(mine, [], [RULE])
  await audits.addAudit(mine, { action: 'made', what: 'the yard', installationId: id, address: '127.0.0.1' })
  await installationLines.saveLine(mine, 1, lineOf('mine'))
  await controllerModels.saveControllerModel(mine, demoModel('two-pad-pwm'))
  await checkResults.addCheckResult(mine, id, {
    id: randomUUID(),
    check: 'floor',
    given: 'x',
    reading,
    verdict: 'passes',
    finding: { code: 'seen', asExpected: true },
  })
  await photos.addPhoto(mine, {
    ...{ id: photoId, installationId: id, about: 'kit', caption: 'Plate', type: 'image/png' },
    takenAt: new Date(),
    bytes: PICTURE,
  })
  await revisions.sealRevision(mine, {
    id: randomUUID(),
    installationId: id,
    version: 1,
    reason: 'sealed by me',
    open: [],
  })
  jobId = randomUUID()
  pageId = randomUUID()
  await presences.touchPresence(mine, { pageId, installationId: id })
  await importJobs.beginImport(mine, { id: jobId, installationId: id, name: 'waits.csv', layout, bytesTotal: 3 })
  await importJobs.addImportPiece(mine, jobId, 0, Buffer.from('abc'))
  await importReadingsFile(mine, { id: fileId, installationId: id, name: 'mine.csv' }, csv())
})

const otherPageId = randomUUID()

const snapshot = async () => ({
  row: await installations.getInstallation(mine, id),
  revisions: await revisions.listRevisions(mine, id),
  results: await checkResults.listCheckResults(mine, id),
  log: await logs.listLog(mine),
  files: await readings.listReadingFiles(mine, id),
  imports: await importJobs.listImports(mine, id),
  piece: (await importJobs.importPieces(mine, jobId).next()).value,
  models: await controllerModels.listControllerModels(mine),
  sites: await sites.listSites(mine),
  audit: await audits.listAudit(mine),
  invites: await invites.listInvites(mine),
  yard: await installationLines.listYard(mine, { madeBy: 1 }),
  name: await workspaces.workspaceName(mine),
  rules: await workspaces.localRulesOf(mine),
  shares: await shares.listShareLinks(mine, id),
  present: await presences.touchPresence(
    { ...mine, personName: 'Ida Wren' },
    { pageId: otherPageId, installationId: id },
  ),
})

const none = async function* () {
  yield await Promise.resolve([{ atMs: 1, values: [1] }])
}

type Walk = Record<string, (who: Scope) => Promise<unknown>>

/** Every query, asked by a stranger for what is mine. `null`: takes no scope, or holds no rows of a workspace. */
const QUERIES: Record<string, Walk[string] | null> = {
  listYard: async (who) => (await installationLines.listYard(who, { madeBy: 1 })).rows,
  findInstallations: (who) => installationLines.findInstallations(who, ''),
  namesOf: async (who) => [...(await installationLines.namesOf(who, [id])).keys()],
  listStaleLines: (who) => installationLines.listStaleLines(who, 0, 10, [id]),
  saveLine: (who) => installationLines.saveLine(who, 1, lineOf('by a stranger')).catch(() => undefined),
  listSetAside: (who) => installations.listSetAside(who),
  placeInstallation: (who) => installations.placeInstallation(who, id, 'aside'),
  moveInstallation: (who) => installations.moveInstallation(who, id, { id: siteId, name: 'Theirs' }),
  listOfSite: async (who) => (await installations.listOfSite(who, 'Lock Cottage'))[0] ?? null,
  getSavedVersion: (who) => installations.getSavedVersion(who, id),
  listSeals: (who) => revisions.listSeals(who, id),
  getSealed: (who) => revisions.getSealed(who, id, 1),
  touchPresence: (who) => presences.touchPresence(who, { pageId: randomUUID(), installationId: id }),
  leavePresence: (who) => presences.leavePresence(who, pageId),
  getInstallation: (who) => installations.getInstallation(who, id),
  createInstallation: null,
  saveWorkingCopy: (who) => installations.saveWorkingCopy(who, { id, baseVersion: 1, saveId: randomUUID(), document }),
  listRevisions: (who) => revisions.listRevisions(who, id),
  sealRevision: (who) =>
    revisions.sealRevision(who, {
      id: randomUUID(),
      installationId: id,
      version: 1,
      reason: 'by a stranger',
      open: [],
    }),
  listCheckResults: (who) => checkResults.listCheckResults(who, id),
  addCheckResult: (who) =>
    checkResults.addCheckResult(who, id, {
      id: randomUUID(),
      check: 'floor',
      given: 'x',
      reading,
      verdict: 'fails',
      finding: { code: 'seen', asExpected: false },
    }),
  listPhotos: (who) => photos.listPhotos(who, id),
  listWholePhotos: (who) => photos.listWholePhotos(who, id),
  getPhoto: (who) => photos.getPhoto(who, photoId),
  addPhoto: (who) =>
    photos.addPhoto(who, {
      ...{ id: randomUUID(), installationId: id, about: 'kit', caption: '', type: 'image/png' },
      takenAt: new Date(),
      bytes: PICTURE,
    }),
  listLog: async (who) => [
    ...(await logs.listLog(who, { installationId: id })),
    ...(await logs.listLog(who, { siteId })),
    ...(await logs.listLog(who, { by: mine.personName })),
  ],
  logWriters: async (who) => (await logs.logWriters(who)).filter((name) => name === mine.personName),
  logWrittenBy: (who) => logs.logWrittenBy(who, 'Tam Reed'),
  addLogEntry: (who) =>
    logs.addLogEntry(who, { id: randomUUID(), installationId: id, kind: 'note', text: 'by a stranger' }),
  listReadingFiles: (who) => readings.listReadingFiles(who, id),
  getReadings: (who) => readings.getReadings(who, fileId),
  importReadings: (who) =>
    readings.importReadings(
      who,
      {
        id: randomUUID(),
        installationId: id,
        name: 'x',
        columns: [{ name: 't', quantity: 'temperature' }],
        zone: 'as-written',
      },
      none(),
    ),
  getReadingFile: (who) => readings.getReadingFile(who, fileId),
  saveFeeds: (who) => readings.saveFeeds(who, fileId, {}),
  viewReadings: (who) => readings.viewReadings(who, fileId, 0, 4e12, 100),
  readingRows: async (who) => {
    const pages = readings.readingRows(who, (await readings.getReadingFile(mine, fileId))!)
    return (await pages.next()).value ?? null
  },
  beginImport: async (who) =>
    (await importJobs.beginImport(who, { id: randomUUID(), installationId: id, name: 'x', layout, bytesTotal: 1 })) ===
    'unknown'
      ? null
      : 'begun',
  addImportPiece: (who) => importJobs.addImportPiece(who, jobId, 9, Buffer.from('x')).catch(() => undefined),
  queueImport: (who) => importJobs.queueImport(who, jobId).catch(() => undefined),
  dropImport: (who) => importJobs.dropImport(who, jobId),
  listImports: (who) => importJobs.listImports(who, id),
  askCancel: (who) => importJobs.askCancel(who, jobId),
  getImport: (who) => importJobs.getImport(who, jobId),
  noteImport: async (who) => ((await importJobs.noteImport(who, jobId, 1, 1)).cancelAsked ? null : 'noted'),
  endImport: (who) => importJobs.endImport(who, jobId, { state: 'done' }),
  importPieces: async (who) => (await importJobs.importPieces(who, jobId).next()).value ?? null,
  workNextImport: null,
  listControllerModels: (who) => controllerModels.listControllerModels(who),
  listModels: async (who) => (await controllerModels.listModels(who)).models,
  placeModel: (who) => controllerModels.placeModel(who, 'two-pad-pwm', 'aside'),
  saveControllerModel: null,
  listAwayModels: (who) => controllerModels.listAwayModels(who),
  listOwnModelIds: (who) => controllerModels.listOwnModelIds(who),
  getControllerModel: (who) => controllerModels.getControllerModel(who, 'two-pad-pwm'),
  listSites: async (who) => (await sites.listSites(who)).filter(({ name }) => name === 'Lock Cottage'),
  listEmptySites: (who) => sites.listEmptySites(who),
  ensureSite: null,
  getSite: (who) => sites.getSite(who, siteId),
  keepSite: async (who) =>
    (await sites.keepSite(who, { id: siteId, name: 'Theirs now', ...NO_FACTS })) === 'unknown' ? null : 'kept',
  listSiteFacts: (who) => sites.listSiteFacts(who),
  workspaceName: async (who) => (await workspaces.workspaceName(who)).includes('Tam'),
  renameWorkspace: (who) => workspaces.renameWorkspace(who, 'Theirs now'),
  savePreference: (who) => workspaces.savePreference(who, { temperatureUnit: 'F', flowUnit: 'cfm', units: {} }),
  saveDisplay: (who) =>
    workspaces.saveDisplay(who, { textSize: 'large', hand: 'left', decimalMark: ',', dates: USUAL_DATES }),
  createWorkspace: null,
  countPeople: null,
  localRulesOf: async (who) => (await workspaces.localRulesOf(who)).filter(({ id: rule }) => rule === RULE.id),
  saveLocalRules: (who) => workspaces.saveLocalRules(who, [RULE], [{ ...RULE, id: 'theirs' }]),
  removeEmptySite: async (who) => ((await sites.removeEmptySite(who, siteId)) === 'unknown' ? null : 'removed'),
  placeReadingFile: (who) => readings.placeReadingFile(who, fileId, new Date()),
  listDeletedFiles: (who) => readings.listDeletedFiles(who, id),
  addAudit: (who) => audits.addAudit(who, { action: 'looked at', what: '', installationId: id, address: '' }),
  listAudit: async (who) => (await audits.listAudit(who)).filter(({ personName }) => personName === 'Tam Reed'),
  auditOf: (who) => audits.auditOf(who, mine.personId),
  addInvite: null,
  listInvites: (who) => invites.listInvites(who),
  getInvite: (who) => invites.getInvite(who, 'hash of mine'),
  useInvite: (who) => invites.useInvite(who, 'hash of mine', who),
  withdrawInvite: (who) => invites.withdrawInvite(who, inviteId),
  listMembers: (who) => members.listMembers(who),
  changeMember: async (who) =>
    (await members.changeMember(who, mine.personId, null)) === 'unknown' ? null : 'changed',
  // These name a person, and are given one’s own by whoever calls them; the walk of commands has them.
  listMemberships: null,
  addMember: null,
  addShareLink: (who) =>
    shares.addShareLink(who, { ...SHARE, id: randomUUID(), installationId: id, tokenHash: 'of a stranger' }),
  listShareLinks: (who) => shares.listShareLinks(who, id),
  openShareLink: (who) => shares.openShareLink(who, 'share of mine'),
  endShareLink: (who) => shares.endShareLink(who, shareId),
  listInstallationIds: (who) => workspaceFiles.listInstallationIds(who),
  wholeInstallation: (who) => workspaceFiles.wholeInstallation(who, id),
  wholeLog: (who) => workspaceFiles.wholeLog(who),
  wholeControllers: (who) => workspaceFiles.wholeControllers(who),
  wholeReadingFiles: (who) => workspaceFiles.wholeReadingFiles(who),
  // They write what a file holds, into a workspace that was made for it.
  putInstallation: null,
  putLog: null,
  putController: null,
  chooseWorkspace: null,
  listWorkspaceIds: null,
  emptyBin: null,
  forgetExpired: null,
  putInBin: null,
  tellLive: null,
  within: null,
  ofItsInstallation: null,
  hasInstallation: (who) => inWorkspace(who, (tx) => withins.hasInstallation(tx, who, id)),
  likeText: null,
}

const COMMANDS: Walk = {
  heartbeat: (who) => heartbeat(who, { pageId: randomUUID(), installationId: id }),
  keepWorkingCopy: (who) => keepWorkingCopy(who, { id, baseVersion: 1, saveId: randomUUID(), document }),
  seal: (who) => seal(who, { id: randomUUID(), installationId: id, version: 1, reason: 'by a stranger' }),
  keepCheck: (who) => keepCheck(who, { id: randomUUID(), installationId: id, check: 'floor', reading }),
  keepPhoto: (who) =>
    keepPhoto(who, {
      ...{ id: randomUUID(), installationId: id, about: 'kit', caption: '', takenAt: '2026-11-27T10:00:00Z' },
      data: PICTURE.toString('base64'),
    }),
  keepVisit: (who) =>
    keepVisit(who, {
      id: randomUUID(),
      installationId: id,
      visit: {
        beganAt: '2026-11-27T10:00:00Z',
        endedAt: '2026-11-27T11:00:00Z',
        why: 'a look',
        weather: '',
        readings: [],
        done: { checks: 0, lines: 0 },
      },
    }),
  shareRecord: (who) => shareRecord(who, { id: randomUUID(), installationId: id, forWhom: 'a stranger', days: 7 }),
  endShare: (who) => endShare(who, { id: shareId }),
  // Its own rules are all it can name: those of another workspace are not touched.
  keepLocalRules: async (who) => {
    await keepLocalRules(who, { before: [], rules: [{ ...RULE, id: 'theirs' }] })
    return { kind: 'unknown' }
  },
  writeLog: (who) => writeLog(who, { id: randomUUID(), installationId: id, text: 'by a stranger' }),
  importReadingsFile: (who) => importReadingsFile(who, { id: randomUUID(), installationId: id, name: 'x.csv' }, csv()),
  sendReadings: (who) =>
    sendReadings(who, { id: randomUUID(), installationId: id, name: 'x.csv', bytes: 3, layout, feeds: null }, csv()),
  keepFeeds: (who) => keepFeeds(who, { fileId, feeds: {} }),
  place: (who) => place(who, { kind: 'installation', id, place: 'deleted' }),
  replaceText: (who) =>
    replaceText(who, { id, saveId: randomUUID(), version: 1, text: demoText('installations/fruiting-room.json') }),
  cancelImport: (who) => cancelImport(who, { id: jobId }),
  keepController: async (who) =>
    (await keepController(who, { text: JSON.stringify({ ...demoModel('two-pad-pwm'), id: 'theirs' }) })).kind === 'done'
      ? { kind: 'unknown' }
      : null,
  makeInstallation: async (who) =>
    (await makeInstallation(who, { id: randomUUID(), site: 'Theirs', name: 'Shed', duty: 'exhaust' })).kind === 'done'
      ? { kind: 'unknown' }
      : null,
  importInstallation: async (who) =>
    (
      await importInstallation(who, {
        id: randomUUID(),
        site: 'Theirs',
        text: demoText('installations/fruiting-room.json'),
      })
    ).kind === 'done'
      ? { kind: 'unknown' }
      : null,
  invitePerson: async (who) =>
    (await invitePerson(who, { id: randomUUID(), role: 'reader', email: '' })).kind === 'done'
      ? { kind: 'unknown' }
      : null,
  withdrawInvitation: (who) => withdrawInvitation(who, { id: inviteId }),
  joinWorkspace: (who) =>
    joinWorkspace({ scope: who, sessionId: 'x' }, { workspaceId: mine.workspaceId, token: 'x'.repeat(43) }),
  switchWorkspace: (who) =>
    switchWorkspace({ scope: who, sessionId: 'x', workspaceIds: [who.workspaceId] }, { workspaceId: mine.workspaceId }),
  changeRole: (who) => changeRole(who, { personId: mine.personId, role: null }),
  leaveWorkspace: (who) => leaveWorkspace({ ...who, personId: mine.personId }),
  renameWorkspace: async (who) =>
    (await renameWorkspace(who, { name: 'Theirs now' })).kind === 'done' ? { kind: 'unknown' } : null,
  copyAndMove: async (who) => {
    const copied = await copyInstallation(who, { id: randomUUID(), of: id, name: 'Theirs' })
    return copied.kind === 'unknown' ? moveInstallation(who, { id, site: 'Theirs' }) : copied
  },
  keepSite: (who) => keepSite(who, { id: siteId, name: 'Theirs now', ...NO_FACTS }),
  choosePreference: async (who) =>
    (await choosePreference(who, { temperatureUnit: 'F', flowUnit: 'cfm', units: { pressure: 'inWG' } })).kind ===
    'done'
      ? { kind: 'unknown' }
      : null,
}

test('every query stands in the walk', () => {
  const modules = [
    checkResults,
    controllerModels,
    audits,
    bins,
    importJobs,
    installations,
    installationLines,
    invites,
    lives,
    logs,
    members,
    photos,
    presences,
    readings,
    revisions,
    shares,
    sites,
    withins,
    workspaces,
    workspaceFiles,
  ]
  const functions = modules.flatMap((module) =>
    Object.entries(module).flatMap(([name, value]) =>
      typeof value === 'function' && !/^[A-Z]/.test(name) ? [name] : [],
    ),
  )
  expect(functions.sort()).toEqual(Object.keys(QUERIES).sort())
  expect(readdirSync(join(process.cwd(), 'src/db/queries')).filter((file) => !file.includes('.test.'))).toHaveLength(
    modules.length,
  )
})

test('every command stands in the walk', () => {
  const files = readdirSync(join(process.cwd(), 'src/server/commands')).map((file) => file.replace('.ts', ''))
  expect(files.filter((file) => file !== 'input' && !file.endsWith('.test') && !(file in COMMANDS))).toEqual([])
})

// Somebody who says nothing for a while is not there any more: on a slow machine the walk takes longer than that.
beforeEach(() => presences.touchPresence(mine, { pageId, installationId: id }))

const EMPTY = [undefined, null, false, [], { kind: 'unknown' }]

test.each(Object.entries(QUERIES).flatMap(([name, ask]) => (ask ? [[name, ask] as const] : [])))(
  'a stranger who asks %s gets nothing, and changes nothing of mine',
  async (_name, ask) => {
    const before = await snapshot()
    const got = await ask(stranger)
    expect(EMPTY).toContainEqual(got ?? null)
    expect(await snapshot()).toEqual(before)
  },
)

test.each(Object.entries(COMMANDS))('a stranger who sends %s changes nothing of mine', async (_name, send) => {
  const before = await snapshot()
  expect(await send(stranger)).toEqual({ kind: 'unknown' })
  expect(await snapshot()).toEqual(before)
})
