import { t } from '@lingui/core/macro'
import { toast } from 'sonner'
import type { Schemas, Session } from '../../api/client'
import { useChangeOwnHouse, useOwnHouse } from '../../api/prepare'
import { useCatalogue, useChangeHouse } from '../../api/queries'
import { GradeGlyph } from '../../design/GradeGlyph'
import { Failed, Loading } from '../../design/States'
import { capital, unitWord } from '../../design/words'
import { Agreement } from './Agreement'
import { CountedBlocks } from './CountedBlocks'
import { Places } from './Places'
import { ReadyWhen } from './ReadyWhen'
import { Standard } from './Standard'
import { isLearner } from '../../api/who'
import { Field, PickField } from '../../design/Field'
import type { Ranges } from '../../design/rangeWords'
import { useBody } from '../../design/useBody'

/** Method: the catalogue, the standards, the house method, and what the model leaves out. */
export function Method({ session }: { session: Session }) {
  const catalogue = useCatalogue()
  if (catalogue.isPending) return <Loading what={t`the catalogue`} />
  if (catalogue.isError) return <Failed error={catalogue.error} again={() => void catalogue.refetch()} />
  const { manoeuvres, house, grades, blocks, readiness } = catalogue.data
  const chief = session.person?.role === 'chief_instructor'
  return (
    <>
      <h1 className="m-0 border-b-2 border-ink pb-2 text-2xl font-bold">{t`Method`}</h1>
      <section aria-label={t`Grades`} className="mt-3 flex flex-wrap gap-x-6 gap-y-2">
        {grades.map((word, grade) => (
          <GradeGlyph key={word} grade={grade} worded size={24} />
        ))}
      </section>
      {families(manoeuvres).map(([family, rows]) => (
        <section key={family} className="mt-6" aria-label={t`${capital(family)} manoeuvres`}>
          <h2 className="mb-1 text-xl font-bold">{capital(family)}</h2>
          {rows.map((manoeuvre) => (
            <Manoeuvre key={manoeuvre.id} manoeuvre={manoeuvre} chief={chief} />
          ))}
        </section>
      ))}
      <ReadyWhen readiness={readiness} manoeuvres={manoeuvres} chief={chief} />
      <CountedBlocks blocks={blocks} chief={chief} />
      <House key={house.version} house={house} chief={chief} />
      {!isLearner(session.person) && <OwnHouse />}
      {!isLearner(session.person) && <Places chief={chief} />}
      {chief && <Agreement />}
      <ModelLimits />
    </>
  )
}

function Manoeuvre({ manoeuvre, chief }: { manoeuvre: Schemas['Catalogue']['manoeuvres'][number]; chief: boolean }) {
  return (
    <details className="border-t border-rule" open={manoeuvre.id === window.location.hash.slice(1)}>
      <summary className="min-h-11 cursor-pointer py-2">
        <b>{manoeuvre.title}</b> <span className="text-soft">{manoeuvre.summary}</span>
      </summary>
      <div className="grid gap-6 pb-4 xl:grid-cols-2">
        <div className="min-w-0">
          <p className="mt-0 text-sm">
            {t`Phases: ${manoeuvre.phases.map((phase) => capital(phase).toLowerCase()).join(', ')}. Flown in a ${manoeuvre.kinds.join(t` or `)}. ${
              manoeuvre.recorded
                ? t`Attempts are found in recordings.`
                : t`Planned and briefed; attempts are graded by hand.`
            }`}
          </p>
          <Standard manoeuvre={manoeuvre} chief={chief} />
          <h3 className="mb-1 font-semibold">{t`Checks`}</h3>
          <ul className="mt-0 list-disc pl-5 text-sm">
            {manoeuvre.checks.map((check) => (
              <li key={check}>{check}</li>
            ))}
          </ul>
        </div>
        <Faults faults={manoeuvre.faults} />
      </div>
    </details>
  )
}

const families = (manoeuvres: Schemas['Catalogue']['manoeuvres']) =>
  [...new Set(manoeuvres.map((row) => row.family))].map(
    (family) => [family, manoeuvres.filter((row) => row.family === family)] as const,
  )

const Faults = ({ faults }: { faults: Schemas['Catalogue']['manoeuvres'][number]['faults'] }) => (
  <div>
    <h3 className="mt-0 mb-1 font-semibold">{t`Faults, in causal order`}</h3>
    <dl className="m-0 text-sm">
      {faults.map((fault) => (
        <div key={fault.id} className="border-t border-rule py-1.5">
          <dt className="font-semibold">{fault.title}</dt>
          <dd className="m-0">
            {fault.cause} <b>“{fault.cue}”</b>
          </dd>
        </div>
      ))}
    </dl>
    <p className="label">{t`Pedals as for an anticlockwise rotor; on a sortie the aircraft decides the side.`}</p>
  </div>
)

function House({ house, chief }: { house: Schemas['House']; chief: boolean }) {
  const change = useChangeHouse(house.version)
  return (
    <section className="mt-8" aria-label={t`House method`}>
      <h2 className="mb-1 text-xl font-bold">{t`House method`}</h2>
      <p className="mt-0 max-w-3xl">
        {t`The school's choice among the accepted ways, each with its reason. An instructor may differ, and so may one exercise; every plan is worked out with what holds for it.`}
      </p>
      <HouseForm
        house={house}
        locked={!chief}
        word={t`Change the house method`}
        error={change.error?.message}
        pending={change.isPending}
        onChange={(values) =>
          change.mutate(values, { onSuccess: () => toast(t`The house method is changed. New plans use it.`) })
        }
      />
    </section>
  )
}

/** What this instructor does otherwise than the school; nothing is kept of what is the same. */
function OwnHouse() {
  const own = useOwnHouse(true)
  const change = useChangeOwnHouse()
  if (!own.data) return null
  const differs = Object.keys(own.data.own ?? {})
  const school = own.data
  return (
    <details className="mt-6">
      <summary className="min-h-11 cursor-pointer py-2 text-xl font-bold">
        {t`Your own method ${differs.length > 0 ? t`(${differs.length} otherwise)` : t`(as the school)`}`}
      </summary>
      <HouseForm
        key={JSON.stringify(own.data.own)}
        house={school}
        locked={false}
        word={t`Change your own method`}
        error={change.error?.message}
        pending={change.isPending}
        onChange={(values) =>
          change.mutate(
            Object.fromEntries(
              Object.entries(values).filter(([name, value]) => differs.includes(name) || value !== school.values[name]),
            ),
            { onSuccess: () => toast(t`Your method is changed. Plans of your sorties use it.`) },
          )
        }
      />
      {differs.length > 0 && (
        <button type="button" className="button mt-2" onClick={() => change.mutate({})}>
          {t`As the school again`}
        </button>
      )}
    </details>
  )
}

/** What each setting may be, as the school's method says it. */
const rangesOf = (settings: Schemas['House']['settings']): Ranges =>
  Object.fromEntries(
    settings.map(({ name, choices, low, high }) => [
      name,
      choices.length > 0
        ? { type: 'string', required: true }
        : {
            type: 'number',
            required: true,
            ...(low != null ? { minimum: low } : {}),
            ...(high != null ? { maximum: high } : {}),
          },
    ]),
  )

interface HouseFormProps {
  house: Schemas['House']
  locked: boolean
  word: string
  error: string | undefined
  pending: boolean
  onChange: (values: Schemas['HouseValues']) => void
}

function HouseForm({ house, locked, word, error, pending, onChange }: HouseFormProps) {
  const { values, form, field, pick } = useBody(rangesOf(house.settings), {
    start: Object.fromEntries(house.settings.map(({ name }) => [name, String(house.values[name])])),
  })
  const changed = house.settings.some(({ name }) => values[name] !== String(house.values[name]))
  return (
    <form
      className="grid gap-x-8 gap-y-4 md:grid-cols-2"
      {...form((body) => onChange({ ...house.values, ...(body as Schemas['HouseValues']) }))}
    >
      {house.settings.map((setting) => {
        const chosen = setting.choices.find((choice) => choice.value === values[setting.name])
        const label = setting.unit ? `${setting.question}, ${unitWord(setting.unit)}` : setting.question
        return setting.choices.length > 0 ? (
          <PickField
            key={setting.name}
            asks
            label={label}
            hint={chosen?.reason}
            disabled={locked}
            choices={setting.choices.map((choice) => ({ id: choice.value, word: capital(choice.value) }))}
            {...pick(setting.name)}
          />
        ) : (
          <Field key={setting.name} asks label={label} disabled={locked} {...field(setting.name)} />
        )
      })}
      {!locked && (
        <div className="md:col-span-2">
          <button type="submit" className="button solid" disabled={!changed || pending}>
            {word}
          </button>
          {error && (
            <p role="alert" className="limit-note mt-2 p-3">
              {error}
            </p>
          )}
        </div>
      )}
    </form>
  )
}

const ModelLimits = () => (
  <section id="model" className="mt-8 max-w-3xl">
    <h2 className="mb-1 text-xl font-bold">{t`What the flight model leaves out`}</h2>
    <ul className="mt-0 list-disc pl-5">
      <li>
        {t`The types are invented. The numbers prove consistency, not flight data: an estimate, never a substitute for the flight manual.`}
      </li>
      <li>
        {t`Profile drag in forward flight is charged to the shaft and not to the attitude: pitch is right to about 3°.`}
      </li>
      <li>{t`Not trusted below 88 % rotor rpm, or in the vortex-ring state beyond its edge.`}</li>
      <li>
        {t`Plans take the wind as steady over the whole descent; gusts enter the landing spread, shear and rising or sinking air do not.`}
      </li>
      <li>{t`Airspeed below about 20 kt is unreliable in the aircraft too.`}</li>
    </ul>
  </section>
)
