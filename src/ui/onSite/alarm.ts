let audio: AudioContext | null = null

/** Sound is allowed only from a touch on: called where a countdown is started. */
export function readyAlarm(): void {
  audio ??= typeof AudioContext === 'undefined' ? null : new AudioContext()
  void audio?.resume().catch(() => undefined)
}

const TONES = [0, 0.35, 0.7] as const

/** Three short tones and as many shakes of the phone: what was waited for is over. */
export function soundAlarm(): void {
  if ('vibrate' in navigator) navigator.vibrate([250, 120, 250, 120, 250])
  if (!audio) return
  for (const after of TONES) {
    const tone = audio.createOscillator()
    const loudness = audio.createGain()
    tone.frequency.value = 880
    loudness.gain.value = 0.2
    tone.connect(loudness).connect(audio.destination)
    tone.start(audio.currentTime + after)
    tone.stop(audio.currentTime + after + 0.2)
  }
}
