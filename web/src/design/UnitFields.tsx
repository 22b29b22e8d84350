import { t } from '@lingui/core/macro'
import { PickField } from './Field'

const KINDS: Record<string, { label: string; words: Record<string, string> }> = {
  temperature: { label: t`Temperature`, words: { c: '°C', f: '°F' } },
  pressure: { label: t`Pressure`, words: { hpa: 'hPa', inhg: 'inHg' } },
  mass: { label: t`Mass`, words: { kg: 'kg', lb: 'lb' } },
  time: { label: t`Times`, words: { utc: 'UTC', local: t`The school’s clock` } },
}

interface Props {
  units: Record<string, string>
  /** Takes the one that was changed. */
  put: (changed: Record<string, string>) => void
}

/** In which units numbers are read, a field a kind; the first of each is the usual one. */
export const UnitFields = ({ units, put }: Props) => (
  <>
    {Object.entries(KINDS).map(([kind, { label, words }]) => (
      <PickField
        key={kind}
        label={label}
        value={units[kind] ?? Object.keys(words)[0] ?? ''}
        choices={Object.entries(words).map(([id, word]) => ({ id, word }))}
        onText={(id) => put({ [kind]: id })}
      />
    ))}
  </>
)
