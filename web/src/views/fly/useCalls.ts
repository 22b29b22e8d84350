import { useEffect, useRef } from 'react'
import type { Schemas } from '../../api/client'
import { callsOf, toSay, type Call, type CallKind } from './calls'

/** Without a voice: two tones for what matters most, one for the rest. */
const TONES_HZ: Record<number, number[]> = { 0: [880, 660], 1: [660, 880] }
const TONE_S = 0.15

function beep(rank: number) {
  const audio = new AudioContext()
  const tones = TONES_HZ[rank] ?? [520]
  tones.forEach((hz, i) => {
    const tone = audio.createOscillator()
    tone.frequency.value = hz
    tone.connect(audio.destination)
    tone.start(audio.currentTime + i * TONE_S)
    tone.stop(audio.currentTime + (i + 1) * TONE_S)
  })
  setTimeout(() => void audio.close(), 1000)
}

/** Says what a reading calls for, one at a time, the safest first. A help beside the eyes outside, never instead of them. */
export function useCalls(reading: Schemas['LiveReading'] | undefined, wanted: CallKind[]) {
  const before = useRef<Schemas['LiveReading']>(undefined)
  const saying = useRef<Call>(undefined)
  useEffect(() => {
    const last = before.current
    before.current = reading
    if (!reading || reading === last) return
    const call = toSay(callsOf(reading, last), wanted, saying.current)
    if (!call) return
    const voice = 'speechSynthesis' in window ? window.speechSynthesis : undefined
    if (!voice || voice.getVoices().length === 0) {
      beep(call.rank)
      return
    }
    voice.cancel()
    const words = new SpeechSynthesisUtterance(call.text)
    saying.current = call
    words.onend = () => {
      if (saying.current === call) saying.current = undefined
    }
    voice.speak(words)
  }, [reading, wanted])
}
