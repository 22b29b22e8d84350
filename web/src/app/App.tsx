import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import { Link, Route, Routes, useLocation } from 'react-router'
import type { Session } from '../api/client'
import { useSession } from '../api/session'
import { typedFor } from '../api/typed'
import { Failed, Loading } from '../design/States'
import { useMode } from '../design/useMode'
import { useSender } from '../queue/useSender'
import { Today } from '../views/Today'
import { CommandBox } from './CommandBox'
import { later } from '../design/Later'
import { Rail } from './Rail'
import { readAs } from './readAs'
import { Shortcuts } from './Shortcuts'
import { SortiePage, useAhead } from './useAhead'
import { useViewName } from './useViewName'
import { ViewBoundary } from './ViewBoundary'

const Messages = later(() => import('./Messages').then((file) => file.Messages), null)
const SignIn = later(() => import('../views/SignIn').then((file) => file.SignIn))
const SignInAgain = later(() => import('./SignInAgain').then((file) => file.SignInAgain))
const Students = later(() => import('../views/Students').then((file) => file.Students))
const StudentPage = later(() => import('../views/StudentPage').then((file) => file.StudentPage))
const SignOffPage = later(() => import('../views/SignOffPage').then((file) => file.SignOffPage))
const Bookings = later(() => import('../views/bookings/Bookings').then((file) => file.Bookings))
const People = later(() => import('../views/people/People').then((file) => file.People))
const PersonPage = later(() => import('../views/people/PersonPage').then((file) => file.PersonPage))
const LogPage = later(() => import('../views/people/LogPage').then((file) => file.LogPage))
const MePage = later(() => import('../views/people/MePage').then((file) => file.MePage))
const SchoolPage = later(() => import('../views/school/SchoolPage').then((file) => file.SchoolPage))
const SetUp = later(() => import('../views/start/SetUp').then((file) => file.SetUp))
const Join = later(() => import('../views/start/Join').then((file) => file.Join))
const DebriefPage = later(() => import('../views/DebriefPage').then((file) => file.DebriefPage))
const Fleet = later(() => import('../views/fleet/Fleet').then((file) => file.Fleet))
const Method = later(() => import('../views/method/Method').then((file) => file.Method))
const LookPage = later(() => import('../views/sites/LookPage').then((file) => file.LookPage))
const Sites = later(() => import('../views/sites/Sites').then((file) => file.Sites))
const SitePage = later(() => import('../views/sites/SitePage').then((file) => file.SitePage))
const SurveyPage = later(() => import('../views/sites/SurveyPage').then((file) => file.SurveyPage))
const SideBySidePage = later(() => import('../views/SideBySidePage').then((file) => file.SideBySidePage))

/** The frame: rail of words, command box, and the view that the address names. */
export function App() {
  const { pathname } = useLocation()
  const cockpit = pathname.endsWith('/fly')
  const asked = useSession()
  const [seen, setSeen] = useState<Session>()
  if (asked.data?.person && asked.data !== seen) setSeen(asked.data)
  const joining = pathname.startsWith('/join/')
  const [mode, setMode] = useMode(cockpit)

  // A session that has ended leaves the page as it is, behind the way to begin it again; the cockpit's sheet stays in
  // sight, and says what waits on the device.
  const session = asked.data?.person ? asked.data : seen
  readAs(session ?? asked.data)
  useViewName()
  useAhead(pathname, asked.data?.person?.id)
  typedFor(session?.person?.id ?? '')
  useSender(session?.person?.id)
  if (!asked.data && asked.isError) return <Failed error={asked.error} again={() => void asked.refetch()} />
  if (!asked.data) return <Loading what={t`who you are`} />
  if (joining && !asked.data.person) return <Join word={pathname.slice('/join/'.length)} />
  if (asked.data.set_up) return <SetUp codeNeeded={asked.data.set_up.code_needed} />
  const school = asked.data.school?.name ?? ''
  if (!session?.person) return <SignIn school={school} />

  return (
    <div
      key={session.person.id}
      className={cockpit ? 'grid' : 'print-frame grid min-h-screen grid-cols-[9.5rem_minmax(0,1fr)] max-md:grid-cols-1'}
    >
      <a href="#view" className="button solid sr-only focus:not-sr-only focus:absolute focus:z-50">
        {t`Skip to the view`}
      </a>
      {!cockpit && <Rail session={session} mode={mode} setMode={setMode} />}
      <main id="view" tabIndex={-1} className={cockpit ? 'min-w-0' : 'min-w-0 px-5 pt-2.5 pb-10'}>
        <ViewBoundary at={pathname}>
          <Routes>
            <Route path="/" element={<Today session={session} />} />
            <Route path="/students" element={<Students />} />
            <Route path="/students/:id" element={<StudentPage session={session} />} />
            <Route path="/students/:id/side-by-side" element={<SideBySidePage />} />
            <Route path="/sites" element={<Sites session={session} />} />
            <Route path="/sites/:id" element={<SitePage session={session} />} />
            <Route path="/sites/:id/look" element={<LookPage session={session} />} />
            <Route path="/sites/:id/survey/:survey" element={<SurveyPage session={session} />} />
            <Route path="/bookings" element={<Bookings session={session} />} />
            <Route path="/people" element={<People session={session} />} />
            <Route path="/people/:id" element={<PersonPage session={session} />} />
            <Route path="/people/:id/log" element={<LogPage />} />
            <Route path="/me" element={<MePage />} />
            <Route path="/school" element={<SchoolPage session={session} />} />
            <Route path="/fleet" element={<Fleet session={session} />} />
            <Route path="/method" element={<Method session={session} />} />
            <Route path="/sorties/:id/debrief" element={<DebriefPage />} />
            <Route
              path="/sorties/:id/:stage"
              element={<SortiePage session={session} mode={mode} setMode={setMode} />}
            />
            <Route path="/sign-offs/:id" element={<SignOffPage session={session} />} />
            <Route
              path="*"
              element={
                <>
                  <h1 className="m-0 text-2xl font-bold">{t`Nothing here`}</h1>
                  <p>
                    <Trans>
                      There is nothing at this address. <Link to="/">Today</Link> is the place to start.
                    </Trans>
                  </p>
                </>
              }
            />
          </Routes>
        </ViewBoundary>
      </main>
      {!asked.data.person && !cockpit && <SignInAgain school={school} name={session.person.name} />}
      <CommandBox session={session} setMode={setMode} />
      <Shortcuts />
      <Messages cockpit={cockpit} />
    </div>
  )
}
