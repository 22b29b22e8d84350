import { useState } from 'react'

/** The wind as seen in the air: it replaces the forecast, and the plan follows. */
export function WindNow({ now, keep, locked }: { now: string; keep: (wind: string) => void; locked: boolean }) {
  const [from, setFrom] = useState('')
  const [speed, setSpeed] = useState('')
  const good = /^\d{1,3}$/.test(from) && Number(from) <= 360 && /^\d{1,2}$/.test(speed)
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (!good) return
        keep(`${from.padStart(3, '0')}/${speed}`)
        setFrom('')
        setSpeed('')
      }}
    >
      <label className="grid grow gap-0.5">
        <span className="label">Wind now, from °</span>
        <input
          className="field h-16 text-lg"
          inputMode="numeric"
          value={from}
          disabled={locked}
          onChange={(e) => setFrom(e.target.value)}
        />
      </label>
      <label className="grid grow gap-0.5">
        <span className="label">kt (planned with {now})</span>
        <input
          className="field h-16 text-lg"
          inputMode="numeric"
          value={speed}
          disabled={locked}
          onChange={(e) => setSpeed(e.target.value)}
        />
      </label>
      <button type="submit" className="tap w-32" disabled={locked || !good}>
        Use it
      </button>
    </form>
  )
}
