import { t } from '@lingui/core/macro'
import { Link, useParams } from 'react-router'
import type { Session } from '../api/client'
import { useSortie } from '../api/queries'
import type { Mode } from '../design/useMode'
import { STAGE_VIEWS } from './stageViews'
import { StageTrack } from './StageTrack'
import { Failed, Loading } from '../design/States'
import { capital, clockOf, shortDayOf, STAGES } from '../design/words'
import { Fly } from './fly/Fly'

const { prepare: Prepare, review: Review, record: RecordStage } = STAGE_VIEWS

interface Props {
  session: Session
  mode: Mode
  setMode: (mode: Mode) => void
}

/** One sortie: who and what on top, the four stages as a track, the stage below. */
export function SortiePage({ session, mode, setMode }: Props) {
  const { id = '', stage: word } = useParams()
  const sortie = useSortie(id)
  const stage = STAGES.find((name) => name === word)
  if (sortie.isPending) return <Loading what={t`the sortie`} />
  if (sortie.isError) return <Failed error={sortie.error} again={() => void sortie.refetch()} />
  if (!stage) return <p>{t`A sortie has the stages prepare, fly, review and record.`}</p>
  const row = sortie.data
  const cockpit = stage === 'fly'
  return (
    <div className={cockpit ? 'flex h-dvh flex-col overflow-hidden' : ''}>
      <header
        className={`flex items-center justify-between gap-x-6 border-b-2 border-ink pb-1 ${cockpit ? 'px-4 pt-1 max-sm:flex-wrap' : 'flex-wrap'} ${stage === 'prepare' ? 'no-print' : ''}`}
      >
        <div className="min-w-0 leading-tight max-sm:w-full">
          <h1
            className={`m-0 text-xl font-bold ${cockpit ? 'truncate' : ''}`}
            data-title={`${capital(stage)}: ${row.student.name}, ${row.title}, ${shortDayOf(row.starts_at)}`}
          >
            <Link to={`/students/${row.student.id}`} className="no-underline hover:underline">
              {row.student.name}
            </Link>
            <span className="font-normal text-soft">
              {' '}
              · {row.aircraft.mark} {row.aircraft.type_name}
            </span>
          </h1>
          <p className={`m-0 text-sm text-soft ${cockpit ? 'truncate' : ''}`}>
            {t`${row.title} · ${shortDayOf(row.starts_at)} ${clockOf(row.starts_at)} · with ${[row.instructor, ...row.colleagues].map(({ name }) => name).join(', ')}`}
          </p>
        </div>
        <StageTrack sortie={row} current={stage} />
      </header>
      {stage === 'prepare' && <Prepare key={row.id} sortie={row} />}
      {stage === 'fly' && <Fly key={row.id} sortie={row} session={session} mode={mode} setMode={setMode} />}
      {stage === 'review' && <Review key={row.id} sortie={row} session={session} />}
      {stage === 'record' && <RecordStage key={row.id} sortie={row} session={session} />}
    </div>
  )
}
