import { t } from '@lingui/core/macro'
import type { SiteDocument, SiteFeature, SitePicture } from '../../api/sites'
import { choicesOf, Pick } from '../../design/Pick'
import { NumberField } from '../prepare/NumberField'
import { nameOf } from '../../design/words'
import { idOf, moved, textOf, turned, withField, without } from './draft'
import { PASSES, STATUSES, THINGS } from './siteWords'

interface Props {
  document: SiteDocument
  id: string
  frame: SitePicture['frame']
  onChange: (document: SiteDocument) => void
  onGone: () => void
}

const LINES = ['approach', 'departure', 'escape']

/** What is selected, in numbers: what it is, how high, how sure, and by how much it moves or turns. */
export function FeatureForm({ document, id, frame, onChange, onGone }: Props) {
  const feature = document.features.find((one) => idOf(one) === id)
  if (!feature) return null
  const field = (name: string, value: unknown) => onChange(withField(document, id, name, value))
  const kind = feature.properties.kind
  return (
    <section aria-label={t`Selected: ${nameOf(id)}`} className="sheet mt-3 p-3">
      <div className="flex items-baseline justify-between gap-2">
        <h3 className="m-0 text-base font-semibold">{nameOf(id)}</h3>
        <button
          type="button"
          className="act text-sm"
          onClick={() => {
            onChange(without(document, id))
            onGone()
          }}
        >
          {t`Take it off the drawing`}
        </button>
      </div>
      {kind === 'obstacle' && <ObstacleFields feature={feature} field={field} />}
      {kind === 'spot' && (
        <label className="grid max-w-48 gap-0.5">
          <span className="label">{t`Ends in`}</span>
          <Pick
            value={textOf(feature, 'termination', 'hover')}
            choices={[
              { id: 'hover', word: t`a hover` },
              { id: 'surface', word: t`on the surface` },
            ]}
            onChange={(value) => field('termination', value)}
          />
        </label>
      )}
      <div className="mt-2 grid grid-cols-3 gap-2">
        <Step label={t`North by`} unit="m" onStep={(metres) => onChange(moved(document, id, metres, 0, frame))} />
        <Step label={t`East by`} unit="m" onStep={(metres) => onChange(moved(document, id, 0, metres, frame))} />
        {LINES.includes(kind) && (
          <Step label={t`Turn by`} unit="°" onStep={(degrees) => onChange(turned(document, id, degrees, frame))} />
        )}
      </div>
      <p className="label mt-1 mb-0">
        {t`Arrow keys on the drawing move it by a metre; each corner can be taken by itself.`}
      </p>
    </section>
  )
}

function ObstacleFields({ feature, field }: { feature: SiteFeature; field: (name: string, value: unknown) => void }) {
  const { top_ft, radius_m } = feature.properties
  return (
    <div className="grid grid-cols-2 gap-2">
      <label className="grid gap-0.5">
        <span className="label">{t`What`}</span>
        <Pick value={textOf(feature, 'what')} choices={choicesOf(THINGS)} onChange={(value) => field('what', value)} />
      </label>
      <NumberField
        label={t`Top`}
        unit="ft"
        low={-1000}
        high={2000}
        optional
        value={typeof top_ft === 'number' ? top_ft : null}
        onChange={(value) => field('top_ft', value)}
        placeholder={t`not known`}
      />
      <label className="grid gap-0.5">
        <span className="label">{t`Answer`}</span>
        <Pick
          value={textOf(feature, 'status', 'seen')}
          choices={choicesOf(STATUSES)}
          onChange={(value) => field('status', value)}
        />
      </label>
      <label className="grid gap-0.5">
        <span className="label">{t`How it was seen`}</span>
        <Pick
          value={textOf(feature, 'pass', 'high')}
          choices={choicesOf(PASSES)}
          onChange={(value) => field('pass', value)}
        />
      </label>
      {feature.geometry?.type === 'Point' && (
        <NumberField
          label={t`Across the crown`}
          unit="m"
          low={0}
          high={100}
          step={0.5}
          optional
          value={typeof radius_m === 'number' ? radius_m * 2 : null}
          onChange={(value) => field('radius_m', value === null ? null : value / 2)}
          placeholder={t`usual`}
        />
      )}
    </div>
  )
}

/** A typed amount, done with Enter. */
function Step({ label, unit, onStep }: { label: string; unit: string; onStep: (amount: number) => void }) {
  return (
    <label className="grid gap-0.5">
      <span className="label">
        {label}, {unit}
      </span>
      <input
        className="field"
        type="number"
        step={1}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          const amount = Number(event.currentTarget.value)
          if (Number.isFinite(amount) && amount !== 0) onStep(amount)
          event.currentTarget.value = ''
        }}
      />
    </label>
  )
}
