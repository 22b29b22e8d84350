import { t } from '@lingui/core/macro'
import { useParams } from 'react-router'
import type { Session } from '../../api/client'
import { useSurvey } from '../../api/sites'
import { isLearner } from '../../api/who'
import { Failed, Loading } from '../../design/States'
import { SurveyCompared } from './SurveyCompared'
import { SurveyMaking } from './SurveyMaking'

/** A student's own survey: made first, without the school's; handed in, the two are laid side by side. */
export function SurveyPage({ session }: { session: Session }) {
  const { survey: id = '' } = useParams()
  const survey = useSurvey(id)
  if (survey.isPending) return <Loading what={t`the survey`} />
  if (survey.isError) return <Failed error={survey.error} again={() => void survey.refetch()} />
  const own = survey.data.student_id === session.person?.id
  return (
    <>
      <header className="border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">
          {survey.data.site}: {own ? t`your own survey` : t`surveyed by ${survey.data.student}`}
        </h1>
      </header>
      {survey.data.comparison ? (
        <SurveyCompared survey={survey.data} staff={!isLearner(session.person)} comparison={survey.data.comparison} />
      ) : own ? (
        <SurveyMaking key={survey.data.version} survey={survey.data} />
      ) : (
        <p>{t`Not handed in yet.`}</p>
      )}
    </>
  )
}
