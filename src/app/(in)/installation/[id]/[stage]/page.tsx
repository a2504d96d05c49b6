import { notFound } from 'next/navigation'
import { RespondStage } from '@/features/respond/RespondStage'
import { isStage } from '@/ui/stages'

type Props = { params: Promise<{ id: string; stage: string }> }

export default async function StagePage({ params }: Props) {
  const { stage } = await params
  if (!isStage(stage)) notFound()
  return <RespondStage />
}
