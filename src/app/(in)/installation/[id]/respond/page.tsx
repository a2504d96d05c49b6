import { RespondStage } from '@/features/respond/RespondStage'

export default function RespondPage() {
  return <RespondStage />
}
