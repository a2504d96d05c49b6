import { CalibrateStage } from '@/features/calibrate/CalibrateStage'

export default function CalibratePage() {
  return <CalibrateStage />
}
