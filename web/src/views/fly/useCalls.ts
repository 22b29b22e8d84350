import { useEffect, useRef } from 'react'
import type { Schemas } from '../../api/client'
import { callsOf, toSay, VOLUMES, type Call, type Levels } from './calls'

/** Without a voice: two tones for what matters most, one for the rest. */
const TONES_HZ: Record<number, number[]> = { 0: [880, 660], 1: [660, 880] }
const TONE_S = 0.15

function beep(rank: number, volume: number) {
  const audio = new AudioContext()
  const gain = audio.createGain()
  gain.gain.value = volume
  gain.connect(audio.destination)
  const tones = TONES_HZ[rank] ?? [520]
  tones.forEach((hz, i) => {
    const tone = audio.createOscillator()
    tone.frequency.value = hz
    tone.connect(gain)
    tone.start(audio.currentTime + i * TONE_S)
    tone.stop(audio.currentTime + (i + 1) * TONE_S)
  })
  setTimeout(() => void audio.close(), 1000)
}

/** Says what a reading calls for, one at a time, the safest first. A help beside the eyes outside, never instead of them. */
export function useCalls(reading: Schemas['LiveReading'] | undefined, levels: Levels) {
  const before = useRef<Schemas['LiveReading']>(undefined)
  const saying = useRef<Call>(undefined)
  const said = useRef<Record<string, number>>({})
  useEffect(() => {
    const last = before.current
    before.current = reading
    if (!reading || reading === last) return
    const now = performance.now()
    const call = toSay(callsOf(reading, last), levels, saying.current, said.current, now)
    if (!call) return
    said.current[call.text] = now
    const volume = VOLUMES[levels[call.kind] ?? 0] ?? 0
    const voice = 'speechSynthesis' in window ? window.speechSynthesis : undefined
    if (!voice || voice.getVoices().length === 0) {
      beep(call.rank, volume)
      return
    }
    voice.cancel()
    const words = new SpeechSynthesisUtterance(call.text)
    words.volume = volume
    saying.current = call
    words.onend = () => {
      if (saying.current === call) saying.current = undefined
    }
    voice.speak(words)
  }, [reading, levels])
}
