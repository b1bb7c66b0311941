// How does a clock make itself heard? Tones and buzzes that differ in rhythm: one may go on, it is soon too long, it is too long.
export type Alarm = 'ready' | 'near' | 'late'

/** Lengths in ms, sound and silence in turn. */
const rhythms: Record<Alarm, readonly number[]> = { ready: [180], near: [140, 90, 140], late: [220, 80, 220, 80, 220] }
const pitchHz: Record<Alarm, number> = { ready: 660, near: 880, late: 990 }
const loudness = 0.25
const silentKey = 'yastik-silent'

export const isSilent = (): boolean => localStorage.getItem(silentKey) === 'yes'
export const setSilent = (silent: boolean): void => localStorage.setItem(silentKey, silent ? 'yes' : 'no')

let context: AudioContext | undefined

/** Sounds and buzzes, unless the device is set silent; a browser that nobody has tapped yet stays mute by itself. */
export function raise(alarm: Alarm): void {
  if (isSilent()) return
  const rhythm = rhythms[alarm]
  if ('vibrate' in navigator) navigator.vibrate([...rhythm])
  context ??= new AudioContext()
  void context.resume()
  let at = context.currentTime
  rhythm.forEach((ms, index) => {
    if (index % 2 === 0) tone(context!, pitchHz[alarm], at, ms / 1000)
    at += ms / 1000
  })
}

function tone(audio: AudioContext, hertz: number, at: number, seconds: number): void {
  const source = audio.createOscillator()
  const gain = audio.createGain()
  source.frequency.value = hertz
  gain.gain.value = loudness
  source.connect(gain).connect(audio.destination)
  source.start(at)
  source.stop(at + seconds)
}
