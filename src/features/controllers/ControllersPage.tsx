'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { DUTIES, DUTY_NAMES, type Duty } from '@/core/brief/duty'
import { ABILITIES, matches } from '@/core/controller/abilities'
import type { ControllerModel } from '@/core/controller/schema'
import { newInstallation } from '@/core/installation/newInstallation'
import type { Problem } from '@/core/json/problem'
import { rankModels } from '@/core/kit/rankModels'
import type { UnitPreference } from '@/core/quantity/format'
import { lossText } from '@/core/sentences/lossText'
import { problemLine } from '@/core/words/problems'
import { CompareModels } from '@/features/controllers/CompareModels'
import { ControllerCard, TakeAway } from '@/features/controllers/ControllerCard'
import { placeAction } from '@/server/actions'
import { Choice } from '@/ui/Choice'
import { Moment } from '@/ui/Moment'
import { LinkBox } from '@/ui/LinkBox'
import { Notice } from '@/ui/Notice'
import { PlaceButton } from '@/ui/PlaceButton'

type Away = { readonly id: string; readonly name: string; readonly goneAt: string | null }
type Props = {
  models: readonly ControllerModel[]
  unreadable: readonly { readonly id: string; readonly name: string; readonly problems: readonly Problem[] }[]
  /** Ids of the models that people here wrote. */
  own: readonly string[]
  /** Models that were taken out of the list, and when each is gone for good. */
  away: readonly Away[]
  mayArchive: boolean
  preference: UnitPreference
}

const ANY_DUTY = 'any'

/** What of the usual response of a duty each model does not do, by its id. */
function lackingFor(duty: Duty, models: readonly ControllerModel[]): ReadonlyMap<string, readonly string[]> {
  const { response, brief } = newInstallation(DUTY_NAMES[duty], duty)
  return new Map(
    rankModels(response, { fans: [] }, brief, models).map(({ model, missing }) => [
      model.id,
      missing.map((loss) => lossText(loss, response).title),
    ]),
  )
}

/** The controllers that can be chosen under Kit, found by what they are to do. */
export function ControllersPage({ models, unreadable, own, away, mayArchive, preference }: Props) {
  const [typed, setTyped] = useState('')
  const [needed, setNeeded] = useState<readonly string[]>([])
  const [duty, setDuty] = useState<Duty | typeof ANY_DUTY>(ANY_DUTY)
  const [compared, setCompared] = useState<readonly string[]>([])
  const lacking = useMemo(() => (duty === ANY_DUTY ? null : lackingFor(duty, models)), [duty, models])
  const wanted = ABILITIES.filter(({ id }) => needed.includes(id))
  const found = models.filter((model) => matches(model, typed) && wanted.every(({ has }) => has(model)))
  const shown = lacking
    ? [...found].sort((a, b) => (lacking.get(a.id)?.length ?? 0) - (lacking.get(b.id)?.length ?? 0))
    : found
  const toggle = (list: readonly string[], id: string, most: number) =>
    list.includes(id) ? list.filter((held) => held !== id) : [...list, id].slice(-most)
  return (
    <Box
      component="main"
      sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
    >
      <Typography variant="h1">Controllers</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1.5 }}>
        Invented examples of each class of ability, and your own. Find one by what it is to do; choose it under Kit.
      </Typography>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
        <TextField
          label="Find a controller"
          size="small"
          value={typed}
          placeholder="thermostat, phase cut, Lowest…"
          onChange={(event) => setTyped(event.target.value)}
        />
        <Box>
          For{' '}
          <Choice
            label="duty"
            value={duty}
            options={[[ANY_DUTY, 'any duty'], ...DUTIES.map((each) => [each, DUTY_NAMES[each]] as const)]}
            onChange={setDuty}
          />
        </Box>
        <Typography role="status" sx={{ color: 'text.secondary' }}>
          {shown.length} of {models.length}
        </Typography>
      </Box>
      <Box
        role="group"
        aria-label="What it must do"
        sx={{ display: 'flex', gap: 0.75, flexWrap: { xs: 'nowrap', sm: 'wrap' }, overflowX: { xs: 'auto' }, mb: 2 }}
      >
        {ABILITIES.map(({ id, name }) => (
          <Button
            key={id}
            size="small"
            variant={needed.includes(id) ? 'contained' : 'outlined'}
            aria-pressed={needed.includes(id)}
            onClick={() => setNeeded(toggle(needed, id, ABILITIES.length))}
            sx={{ py: 0.25, fontWeight: 400, flexShrink: 0 }}
          >
            {name}
          </Button>
        ))}
      </Box>
      {unreadable.map(({ id, name, problems }) => (
        <Notice key={id} title={`“${name}” cannot be read, and cannot be chosen until it is mended.`}>
          {problems.slice(0, 3).map(problemLine).join(' ')}{' '}
          <LinkBox href={`/controllers/${encodeURIComponent(id)}`}>Open it as text</LinkBox>{' '}
          {mayArchive && <TakeAway id={id} name={name} />}
        </Notice>
      ))}
      {compared.length === 2 && (
        <CompareModels models={compared.flatMap((id) => models.find((model) => model.id === id) ?? [])} />
      )}
      {shown.length === 0 && (
        <Typography>
          None does all of that. Take away what matters least, or make one of your own from the nearest.
        </Typography>
      )}
      {shown.map((model) => (
        <ControllerCard
          key={model.id}
          model={model}
          lacks={lacking?.get(model.id) ?? null}
          isOwn={own.includes(model.id)}
          isCompared={compared.includes(model.id)}
          onCompare={() => setCompared(toggle(compared, model.id, 2))}
          mayArchive={mayArchive}
          preference={preference}
        />
      ))}
      {away.length > 0 && <OutOfTheList away={away} mayArchive={mayArchive} />}
    </Box>
  )
}

const OutOfTheList = ({ away, mayArchive }: { away: readonly Away[]; mayArchive: boolean }) => (
  <Box component="section" aria-label="Out of the list" sx={{ maxWidth: 980 }}>
    <Typography variant="h2">Out of the list</Typography>
    <Typography sx={{ color: 'text.secondary' }}>
      What was deleted can be brought back for 30 days. Installations that use it keep their own copy in any case.
    </Typography>
    {away.map(({ id, name, goneAt }) => (
      <Typography key={id}>
        {name},{' '}
        {goneAt === null ? (
          'archived'
        ) : (
          <>
            deleted; gone for good on <Moment at={goneAt} as="day" />
          </>
        )}
        .{' '}
        {mayArchive && (
          <PlaceButton onPlace={placeAction} kind="controller" id={id} name={name} place="here">
            Bring it back
          </PlaceButton>
        )}
      </Typography>
    ))}
  </Box>
)
