import { notFound } from 'next/navigation'
import { listCheckResults } from '@/db/queries/checkResult'
import { listControllerModels } from '@/db/queries/controllerModel'
import { listLog } from '@/db/queries/log'
import { listReadingFiles } from '@/db/queries/reading'
import { listRevisions } from '@/db/queries/revision'
import { BriefStage } from '@/features/brief/BriefStage'
import { CalibrateStage } from '@/features/calibrate/CalibrateStage'
import { DialInStage } from '@/features/dial-in/DialInStage'
import { HandOverStage } from '@/features/hand-over/HandOverStage'
import { KitStage } from '@/features/kit/KitStage'
import { ProveStage } from '@/features/prove/ProveStage'
import { RehearseStage } from '@/features/rehearse/RehearseStage'
import { RespondStage } from '@/features/respond/RespondStage'
import { keepCheckAction, sealAction, writeLogAction } from '@/server/actions'
import { isUuid } from '@/server/commands/input'
import { requireSigned } from '@/server/scope'
import { isStage } from '@/ui/stages'

type Props = { params: Promise<{ id: string; stage: string }> }

/** Each stage fetches what only it needs; the working copy is with the frame around it. */
export default async function StagePage({ params }: Props) {
  const { id, stage } = await params
  if (!isStage(stage) || !isUuid(id)) notFound()
  const { scope } = await requireSigned()
  switch (stage) {
    case 'brief':
      return <BriefStage />
    case 'kit':
      return <KitStage models={await listControllerModels(scope)} />
    case 'calibrate':
      return <CalibrateStage />
    case 'respond':
      return <RespondStage />
    case 'rehearse':
      return (
        <RehearseStage
          installationId={id}
          files={(await listReadingFiles(scope, id)).map(({ id: fileId, name, lineCount, fromMs, toMs }) => ({
            id: fileId,
            name,
            lineCount,
            fromMs,
            toMs,
          }))}
        />
      )
    case 'dial-in':
      return <DialInStage installationId={id} />
    case 'prove':
      return (
        <ProveStage
          installationId={id}
          results={(await listCheckResults(scope, id)).map(({ check, given, verdict, sentence }) => ({
            check,
            given,
            verdict,
            sentence,
          }))}
          onKeep={keepCheckAction}
        />
      )
    case 'hand-over': {
      const [revisions, log] = await Promise.all([listRevisions(scope, id), listLog(scope, id)])
      return (
        <HandOverStage
          installationId={id}
          revisions={revisions.map(({ sealedAt, ...revision }) => ({ ...revision, sealedAt: sealedAt.toISOString() }))}
          log={log.map(({ id: entryId, text, writtenBy, writtenAt }) => ({
            id: entryId,
            text,
            writtenBy,
            writtenAt: writtenAt.toISOString(),
          }))}
          onSeal={sealAction}
          onWrite={writeLogAction}
        />
      )
    }
  }
}
