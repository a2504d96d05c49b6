import { ENGLAND, WET_ROOMS } from '@/core/calculation/required/dwellingRules'
import { choice, defineCalculation, out } from '@/core/calculation/calculation'

export const wetRoomEngland = defineCalculation({
  id: 'wet-room-england',
  name: 'Extract of a wet room, England',
  group: 'required flow',
  words: 'bathroom kitchen toilet approved document f intermittent continuous trickle boost',
  inputs: { room: choice('room', 'bathroom', WET_ROOMS) },
  outputs: {
    boost: out('intermittent extract', 'flow'),
    high: out('continuous extract, high rate', 'flow'),
  },
  formula: 'table: {room}',
  source: ENGLAND.edition,
  run: ({ room }) => ({ boost: ENGLAND.intermittentLs[room], high: ENGLAND.continuousLs[room] }),
})
