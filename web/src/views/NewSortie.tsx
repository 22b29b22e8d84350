import { Dialog } from 'radix-ui'
import { useState, type FormEvent } from 'react'
import { useNavigate } from 'react-router'
import { useAircraft, useCatalogue, useCreateSortie, useStudents } from '../api/queries'
import { capital } from '../design/words'

/** A new sortie: who, in what, when, which manoeuvre. The rest is worked out in Prepare. */
export function NewSortie({ date }: { date: string }) {
  const [open, setOpen] = useState(false)
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="button">New sortie</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          className="sheet fixed top-20 left-1/2 z-50 w-[28rem] max-w-[94vw] -translate-x-1/2 p-6"
          aria-describedby={undefined}
        >
          <Dialog.Title className="mt-0 text-lg font-bold">New sortie</Dialog.Title>
          <Form date={date} close={() => setOpen(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function Form({ date, close }: { date: string; close: () => void }) {
  const students = useStudents()
  const aircraft = useAircraft()
  const catalogue = useCatalogue()
  const create = useCreateSortie()
  const navigate = useNavigate()
  const [time, setTime] = useState('14:00')
  const [on, setOn] = useState(date)
  const [student, setStudent] = useState('')
  const [craft, setCraft] = useState('')
  const [chosen, setChosen] = useState('')
  const kind = aircraft.data?.find((row) => row.id === craft)?.kind
  const offered = (catalogue.data?.manoeuvres ?? []).filter((row) => !kind || row.kinds.includes(kind))
  const manoeuvre = offered.some((row) => row.id === chosen)
    ? chosen
    : ((offered.find((row) => row.standard) ?? offered[0])?.id ?? '')
  const families = [...new Set(offered.map((row) => row.family))]

  const submit = (event: FormEvent) => {
    event.preventDefault()
    create.mutate(
      { student_id: student, aircraft_id: craft, manoeuvre, starts_at: `${on}T${time}:00Z` },
      {
        onSuccess: (sortie) => {
          close()
          void navigate(`/sorties/${sortie.id}/prepare`)
        },
      },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <label className="grid gap-1">
        Student
        <select className="field" required value={student} onChange={(e) => setStudent(e.target.value)}>
          <option value="">Choose…</option>
          {(students.data?.items ?? []).map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-1">
        Aircraft
        <select className="field" required value={craft} onChange={(e) => setCraft(e.target.value)}>
          <option value="">Choose…</option>
          {(aircraft.data ?? []).map((a) => (
            <option key={a.id} value={a.id} disabled={a.look_at_it}>
              {a.mark} {a.type_name}
              {a.look_at_it ? ' (to be looked at first)' : ''}
            </option>
          ))}
        </select>
      </label>
      <div className="grid grid-cols-2 gap-3">
        <label className="grid gap-1">
          Day
          <input className="field" type="date" required value={on} onChange={(e) => setOn(e.target.value)} />
        </label>
        <label className="grid gap-1">
          Time, UTC
          <input className="field" type="time" required value={time} onChange={(e) => setTime(e.target.value)} />
        </label>
      </div>
      <label className="grid gap-1">
        Manoeuvre
        <select className="field" value={manoeuvre} onChange={(e) => setChosen(e.target.value)}>
          {families.map((family) => (
            <optgroup key={family} label={capital(family)}>
              {offered
                .filter((row) => row.family === family)
                .map((row) => (
                  <option key={row.id} value={row.id}>
                    {row.title}
                  </option>
                ))}
            </optgroup>
          ))}
        </select>
      </label>
      {create.isError && (
        <p role="alert" className="limit-note m-0 p-3">
          {create.error.message}
        </p>
      )}
      <div className="mt-2 flex gap-3">
        <button type="submit" className="button solid" disabled={create.isPending}>
          Plan it
        </button>
        <Dialog.Close className="button">Cancel</Dialog.Close>
      </div>
    </form>
  )
}
