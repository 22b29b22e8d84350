import { t } from '@lingui/core/macro'
import type { Plan, Sortie, SortieChange } from '../../api/client'
import { Choice } from '../../design/Choice'
import { useTyped } from '../../design/useTyped'

interface Props {
  sortie: Sortie
  plan: Plan | undefined
  /** The plan on screen is of another day than the fields. */
  old: boolean
  set: (fields: SortieChange) => void
  saving: boolean
}

/** Go or no-go, on record with its reason, so that pressure to fly has something to lean on. */
export function Decision({ sortie, plan, old, set, saving }: Props) {
  const limits = [
    ...(sortie.outside_solo ?? []).map((text) => ({ id: text, text: t`Outside the solo authority: ${text}.` })),
    ...(plan?.cautions ?? []).filter((caution) => caution.level === 'limit'),
  ]
  const [reason, setReason, dropReason] = useTyped(`${sortie.id}.go`, sortie.go_reason ?? '')
  if (!sortie.may_edit) {
    return (
      <p className="mt-3 font-semibold">
        {sortie.go_decision ? t`Decided: ${sortie.go_decision === 'go' ? t`go` : t`no-go`}` : t`Not decided yet`}
      </p>
    )
  }
  const needsReason = limits.length > 0
  const decide = (fields: SortieChange) => {
    dropReason()
    set(fields)
  }
  return (
    <section aria-label={t`Go or no-go`} className="no-print mb-3">
      {needsReason && (
        <div className="limit-note mb-2 grid gap-2 p-2">
          {limits.map((limit) => (
            <p key={limit.id} className="m-0 text-sm leading-snug font-semibold">
              {limit.text}
            </p>
          ))}
          <label className="grid gap-0.5">
            <span className="text-xs">{t`Going anyway wants a reason`}</span>
            <input className="field" value={reason} onChange={(event) => setReason(event.target.value)} />
          </label>
        </div>
      )}
      <Choice
        label={t`Go or no-go`}
        className="grid grid-cols-2 gap-2"
        words={{ go: t`Go`, no_go: t`No-go` }}
        value={(sortie.go_decision ?? undefined) as 'go' | 'no_go' | undefined}
        off={(id) => id === 'go' && (old || (needsReason && reason.trim().length < 3))}
        onPick={(id) => decide({ go_decision: id, go_reason: reason || (id === 'no_go' && limits[0]?.text) || null })}
        item="button"
      />
      <p className="label mt-1 mb-0" role="status">
        {old
          ? t`The numbers below are of the day before the change: Go waits for the new ones.`
          : saving
            ? t`Storing…`
            : sortie.go_decision
              ? t`Decided: ${sortie.go_decision === 'go' ? t`go` : t`no-go`}${sortie.go_reason ? `, ${sortie.go_reason}` : ''}`
              : t`Not decided yet`}
      </p>
    </section>
  )
}
