import type { Duty } from '@/core/brief/duty'
import { balanced } from '@/core/duty/balanced'
import { doorCurtain } from '@/core/duty/doorCurtain'
import { electronics } from '@/core/duty/electronics'
import { exhaust } from '@/core/duty/exhaust'
import { extract } from '@/core/duty/extract'
import { growRoom } from '@/core/duty/growRoom'
import { headPressure } from '@/core/duty/headPressure'
import { livestock } from '@/core/duty/livestock'
import type { DutyPlan } from '@/core/duty/plan'
import { stoveFlue } from '@/core/duty/stoveFlue'

/** What the program asks and knows of each duty; a new one is a file and a line here. */
export const DUTY_PLANS: Readonly<Record<Duty, DutyPlan>> = {
  extract,
  exhaust,
  'head-pressure': headPressure,
  livestock,
  'grow-room': growRoom,
  'stove-flue': stoveFlue,
  balanced,
  'door-curtain': doorCurtain,
  electronics,
}
