import { Route, Routes, useLocation } from 'react-router'
import { Toaster } from 'sonner'
import { useSession } from '../api/queries'
import { Failed, Loading } from '../design/States'
import { useMode } from '../design/useMode'
import { useSender } from '../queue/useSender'
import { SignIn } from '../views/SignIn'
import { SignOffPage } from '../views/SignOffPage'
import { SortiePage } from '../views/SortiePage'
import { StudentPage } from '../views/StudentPage'
import { Students } from '../views/Students'
import { Today } from '../views/Today'
import { CommandBox } from './CommandBox'
import { later } from './Later'
import { Rail } from './Rail'
import { Shortcuts } from './Shortcuts'

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
  const session = useSession()
  const cockpit = useLocation().pathname.endsWith('/fly')
  const [mode, setMode] = useMode(cockpit)

  useSender(session.data?.person?.id)
  if (session.isPending) return <Loading what="who you are" />
  if (session.isError) return <Failed error={session.error} again={() => void session.refetch()} />
  if (!session.data.person) return <SignIn school={session.data.school.name} />

  return (
    <div
      className={cockpit ? 'grid' : 'print-frame grid min-h-screen grid-cols-[9.5rem_minmax(0,1fr)] max-md:grid-cols-1'}
    >
      <a href="#view" className="button solid sr-only focus:not-sr-only focus:absolute focus:z-50">
        Skip to the view
      </a>
      {!cockpit && <Rail session={session.data} mode={mode} setMode={setMode} />}
      <main id="view" tabIndex={-1} className={cockpit ? 'min-w-0' : 'min-w-0 px-5 pt-4 pb-10'}>
        <Routes>
          <Route path="/" element={<Today session={session.data} />} />
          <Route path="/students" element={<Students />} />
          <Route path="/students/:id" element={<StudentPage session={session.data} />} />
          <Route path="/students/:id/side-by-side" element={<SideBySidePage />} />
          <Route path="/sites" element={<Sites session={session.data} />} />
          <Route path="/sites/:id" element={<SitePage session={session.data} />} />
          <Route path="/sites/:id/look" element={<LookPage session={session.data} />} />
          <Route path="/sites/:id/survey/:survey" element={<SurveyPage session={session.data} />} />
          <Route path="/fleet" element={<Fleet session={session.data} />} />
          <Route path="/method" element={<Method session={session.data} />} />
          <Route path="/sorties/:id/debrief" element={<DebriefPage />} />
          <Route
            path="/sorties/:id/:stage"
            element={<SortiePage session={session.data} mode={mode} setMode={setMode} />}
          />
          <Route path="/sign-offs/:id" element={<SignOffPage session={session.data} />} />
          <Route
            path="*"
            element={<p className="p-6">There is nothing at this address. Today is the place to start.</p>}
          />
        </Routes>
      </main>
      <CommandBox session={session.data} setMode={setMode} />
      <Shortcuts />
      <Toaster
        style={{ fontFamily: 'inherit' }}
        position={cockpit ? 'top-center' : 'bottom-center'}
        toastOptions={{ style: { background: 'var(--ink)', color: 'var(--paper)', border: 0, font: 'inherit' } }}
      />
    </div>
  )
}
