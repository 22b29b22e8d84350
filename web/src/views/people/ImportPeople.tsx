import { plural, t } from '@lingui/core/macro'
import { useState } from 'react'
import { toast } from 'sonner'
import { useImportPeople } from '../../api/people'
import { Refused } from '../../design/Field'
import { Sheet } from '../../design/Sheet'

const ACTS = { add: t`New`, change: t`Change`, nothing: t`As it is`, fault: t`Fault` }

/** People from a table: what would happen to each line first, all of it or nothing then. */
export const ImportPeople = () => (
  <Sheet word={t`From a list`} title={t`People from a list`} wide>
    {(close) => <Form close={close} />}
  </Sheet>
)

function Form({ close }: { close: () => void }) {
  const look = useImportPeople()
  const store = useImportPeople()
  const [csv, setCsv] = useState('')
  const rows = look.data?.rows ?? []
  const faults = look.data?.faults ?? 0
  return (
    <div className="grid gap-3">
      <p className="m-0 text-soft">
        {t`A CSV table with the columns sign_in, name, role, stage, mass_kg, email. Known sign-in names change, others are added. Nothing is stored before you have seen what would happen.`}
      </p>
      <label className="grid gap-1">
        <span className="label">{t`File`}</span>
        <input
          type="file"
          accept=".csv,text/csv"
          onChange={(event) =>
            void event.target.files?.[0]?.text().then((text) => {
              setCsv(text)
              look.mutate({ csv: text, store: false })
            })
          }
        />
      </label>
      <Refused error={look.error ?? store.error} />
      {rows.length > 0 && (
        <>
          <p className="m-0 font-semibold" role="status">
            {faults > 0
              ? plural(faults, {
                  one: `# line of ${rows.length} is at fault: mend it in the file and choose it again.`,
                  other: `# lines of ${rows.length} are at fault: mend them in the file and choose it again.`,
                })
              : t`${rows.filter(({ act }) => act === 'add').length} new, ${rows.filter(({ act }) => act === 'change').length} changed.`}
          </p>
          <ul className="m-0 max-h-72 list-none overflow-auto border border-rule p-0">
            {[...rows]
              .sort((a, b) => Number(b.act === 'fault') - Number(a.act === 'fault'))
              .map(({ line, act, text }) => (
                <li key={line} className="grid grid-cols-[4rem_5rem_1fr] gap-2 border-b border-rule p-1.5">
                  <span className="label">{t`line ${line}`}</span>
                  <b className={act === 'fault' ? 'text-limit' : ''}>{ACTS[act]}</b>
                  <span>{text}</span>
                </li>
              ))}
          </ul>
        </>
      )}
      <div className="flex gap-3">
        <button
          type="button"
          className="button solid"
          disabled={rows.length === 0 || faults > 0 || store.isPending}
          onClick={() =>
            store.mutate(
              { csv, store: true },
              {
                onSuccess: () => {
                  toast(t`The list is stored.`)
                  close()
                },
              },
            )
          }
        >
          {t`Store all of it`}
        </button>
        <button type="button" className="button" onClick={close}>
          {t`Leave it`}
        </button>
      </div>
    </div>
  )
}
