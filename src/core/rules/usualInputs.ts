import type { MeasuredInput } from '@/core/rules/input'

// What is added where a behaviour wants an input that is not there yet; ranges for charts and sliders.

export const ROOM_TEMP: MeasuredInput = {
  id: 'roomTemp',
  kind: 'temperature',
  name: 'room temperature',
  from: 10,
  to: 40,
}
export const OUTDOOR: MeasuredInput = {
  id: 'outdoor',
  kind: 'temperature',
  name: 'outdoor temperature',
  from: -20,
  to: 35,
}
export const HUMIDITY: MeasuredInput = { id: 'humidity', kind: 'humidity', name: 'humidity', from: 30, to: 100 }
export const OUTDOOR_HUMIDITY: MeasuredInput = {
  id: 'outdoorHumidity',
  kind: 'humidity',
  name: 'outdoor humidity',
  from: 0,
  to: 100,
  role: 'outdoor',
}
export const SIGNAL: MeasuredInput = {
  id: 'signal',
  kind: 'volts',
  name: 'signal',
  from: 0,
  to: 10,
  role: 'request',
}
export const LIGHT: MeasuredInput = { id: 'light', kind: 'light', name: 'light', from: 0, to: 200 }
