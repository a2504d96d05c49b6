import { changed, changedEach, withKeys, renamedPath, type Held, type Names } from '@/core/upgrade/rename'
import { PARTS, withAction } from '@/core/upgrade/response'

const SLOTS: Names = new Map([
  ['surges', 'rapidRises'],
  ['afterRuns', 'holdsAfterFall'],
])
const MEANINGS: Names = new Map([
  ['surge', 'rapidRise'],
  ['afterRun', 'holdAfterFall'],
  ['runOn', 'finalRunOn'],
  ['coolDown', 'heaterPurge'],
  ['restBand', 'skipBand'],
])

/** From version 1 to 2: other names, the same settings. */
export function controllerModelFrom1(model: Held): Held {
  const named = changed(withKeys(model, SLOTS), 'abilities', (abilities) => withKeys(abilities, PARTS))
  const settings = changedEach(named, 'settings', (setting) =>
    typeof setting.means === 'string' ? { ...setting, means: renamedPath(setting.means, MEANINGS) } : setting,
  )
  return {
    ...changedEach(settings, 'differentials', (slot) => withAction(slot)),
    schema: 'soft-gale/controller-model@2',
  }
}
