import { plural, t } from '@lingui/core/macro'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { api, unwrap } from '../../api/client'
import { Refused } from '../../design/Field'
import { AwayForm } from '../bookings/AwayForm'

/** My bookings in my own calendar, and what is in it as times away. */
export function CalendarLink({ id }: { id: string }) {
  const queries = useQueryClient()
  const give = useMutation({ mutationFn: () => unwrap(api.POST('/api/me/calendar')) })
  const end = useMutation({
    mutationFn: () => unwrap(api.DELETE('/api/me/calendar')),
    onSuccess: () => {
      give.reset()
      toast(t`The address works no more.`)
    },
  })
  const take = useMutation({
    mutationFn: (calendar: string) => unwrap(api.POST('/api/me/calendar/away', { body: { calendar } })),
    onSuccess: ({ taken, repeating }) => {
      void queries.invalidateQueries({ queryKey: ['board'] })
      toast(
        [
          plural(taken, { one: '# time away taken.', other: '# times away taken.' }),
          repeating > 0 &&
            plural(repeating, {
              one: '# that repeats was left out: enter it by hand.',
              other: '# that repeat were left out: enter those by hand.',
            }),
        ]
          .filter(Boolean)
          .join(' '),
      )
    },
  })
  return (
    <section className="sheet grid grid-cols-1 gap-3 p-4" aria-labelledby="calendar">
      <h2 id="calendar" className="m-0 text-lg font-semibold">
        {t`Calendar`}
      </h2>
      {give.data ? (
        <>
          <p className="m-0">{t`Subscribe to this address; who has it can read your bookings. It is shown only now.`}</p>
          <input
            className="field h-11"
            readOnly
            aria-label={t`Address of my calendar`}
            value={give.data.address}
            onFocus={(e) => e.target.select()}
          />
        </>
      ) : (
        <p className="m-0">{t`My bookings in the calendar of my choice. A new address ends the one before.`}</p>
      )}
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button" onClick={() => give.mutate()}>
          {t`New address`}
        </button>
        <button type="button" className="button" onClick={() => end.mutate()}>
          {t`End the address`}
        </button>
      </div>
      <label className="grid grid-cols-1 gap-1">
        <span className="label">{t`My own calendar (.ics): its events become times away`}</span>
        <input
          className="w-full"
          type="file"
          accept=".ics,text/calendar"
          onChange={(event) => void event.target.files?.[0]?.text().then((text) => take.mutate(text))}
        />
      </label>
      <Refused error={give.error ?? end.error ?? take.error} />
      <AwayForm person={id} />
    </section>
  )
}
