'use client'

import type { ReactNode } from 'react'
import { CardThere } from '@/app/offline/CardThere'
import { BriefStage } from '@/features/brief/BriefStage'
import { CalibrateStage } from '@/features/calibrate/CalibrateStage'
import { DialInStage } from '@/features/dial-in/DialInStage'
import { InstallationFrame } from '@/features/frame/InstallationFrame'
import { HandOverStage } from '@/features/hand-over/HandOverStage'
import { KitStage } from '@/features/kit/KitStage'
import { ProveStage } from '@/features/prove/ProveStage'
import { RecordSheet } from '@/features/record/RecordSheet'
import { RehearseStage } from '@/features/rehearse/RehearseStage'
import { RespondStage } from '@/features/respond/RespondStage'
import type { Pack } from '@/ui/onSite/pack'
import { StageLayout } from '@/ui/StageLayout'

const nowhere = () => Promise.resolve({ kind: 'unavailable', why: 'gone' })

/** Each stage as it is drawn from what was taken along. */
const STAGES: Readonly<Record<string, (pack: Pack) => ReactNode>> = {
  brief: () => <BriefStage />,
  kit: ({ id, models, photos }) => <KitStage installationId={id} models={models} photos={photos} />,
  calibrate: ({ id, photos }) => <CalibrateStage installationId={id} photos={photos} />,
  respond: ({ id, revisions }) => <RespondStage installationId={id} others={[]} seals={revisions} />,
  rehearse: ({ id, models }) => <RehearseStage installationId={id} files={[]} models={models} onFeeds={nowhere} />,
  'dial-in': ({ id }) => <DialInStage installationId={id} />,
  prove: ({ id, results, photos }) => <ProveStage installationId={id} results={results} photos={photos} />,
  'hand-over': (pack) => (
    <HandOverStage installationId={pack.id} {...pack} onPlace={null} sharing={null} elsewhere={null} />
  ),
}

/** One page of an installation that was taken along. */
export function StageThere({ pack, stage }: { pack: Pack; stage: string }) {
  const { id, siteName, document, version, savedAt, preference, results, revisions, lastSealed } = pack
  const [last] = revisions
  if (stage === 'record')
    return (
      <RecordSheet
        siteName={siteName}
        document={lastSealed ?? document}
        seal={last && lastSealed ? last : null}
        results={results}
        preference={preference}
      />
    )
  if (stage === 'card') return <CardThere pack={pack} />
  const draw = STAGES[stage]
  return (
    <InstallationFrame
      {...{ id, siteName, document, version, savedAt, preference, results }}
      localRules={pack.localRules ?? []}
      lastSeal={last && lastSealed ? { number: last.number, sealedAt: last.sealedAt, document: lastSealed } : null}
    >
      {draw ? (
        draw(pack)
      ) : (
        <StageLayout title="Not without signal">
          This page needs the server. The stages on the left are all here.
        </StageLayout>
      )}
    </InstallationFrame>
  )
}
