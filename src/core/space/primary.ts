import type { Read } from '@/core/space/model'
import type { Space } from '@/core/space/schema'

/** What a target of temperature speaks of in a space: its air, its condensing, its flue or shell, its part. The highest of several counts. */
export function primaryReads({ serves, fans }: Pick<Space, 'serves' | 'fans'>): readonly Read[] {
  switch (serves.kind) {
    case 'condenser':
      return (['coil1C', 'coil2C', 'coil3C'] as const).slice(0, serves.circuits)
    case 'stove':
      return [fans.some(({ way }) => way === 'flue') ? 'flueC' : 'shellC']
    case 'electronics':
      return ['componentC']
    case 'room':
    case 'house':
    case 'hall':
      return ['airC']
  }
}
