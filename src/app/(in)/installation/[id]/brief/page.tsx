import { BriefStage } from '@/features/brief/BriefStage'

export default function BriefPage() {
  return <BriefStage />
}
