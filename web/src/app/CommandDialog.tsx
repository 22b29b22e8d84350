import { t } from '@lingui/core/macro'
import { Command } from 'cmdk'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Session } from '../api/client'
import { useAircraft, useCatalogue, useStudentNames, useToday } from '../api/queries'
import { useSites } from '../api/sites'
import { useKeysOn } from '../design/useKeys'
import { MODES, type Mode } from '../design/useMode'
import { MODE_WORDS } from '../design/words'
import { clockOf, shortDayOf, STAGES, capital } from '../design/words'
import { isLearner } from '../api/who'

interface Props {
  session: Session
  setMode: (mode: Mode) => void
  open: boolean
  setOpen: (open: boolean) => void
}

/** One box that reaches every student, sortie, aircraft, manoeuvre and action by its name. */
export function CommandDialog({ session, setMode, open, setOpen }: Props) {
  const [typed, setTyped] = useState('')
  const navigate = useNavigate()
  const go = (to: string) => () => {
    setOpen(false)
    void navigate(to)
  }
  return (
    <Command.Dialog
      open={open}
      onOpenChange={setOpen}
      label={t`Go anywhere`}
      overlayClassName="fixed inset-0 z-40 bg-ink/40"
      contentClassName="sheet fixed top-20 left-1/2 z-50 w-[36rem] max-w-[94vw] -translate-x-1/2 p-2"
    >
      <Command.Input
        placeholder={t`A student, an aircraft, a manoeuvre, or: book Oda tomorrow 14:00 in TANA…`}
        value={typed}
        onValueChange={setTyped}
        className="w-full border-0 border-b border-rule bg-transparent p-3 text-lg text-ink"
      />
      {open && <Choices session={session} typed={typed} go={go} setMode={setMode} close={() => setOpen(false)} />}
    </Command.Dialog>
  )
}

interface ChoicesProps {
  session: Session
  setMode: (mode: Mode) => void
  go: (to: string) => () => void
  close: () => void
  typed: string
}

function Choices({ session, typed, go, setMode, close }: ChoicesProps) {
  const staff = !isLearner(session.person)
  const [keys, setKeys] = useKeysOn()
  const today = useToday()
  const students = useStudentNames(staff)
  const aircraft = useAircraft()
  const sites = useSites()
  const catalogue = useCatalogue()
  const sorties = [...(today.data?.sorties ?? []), ...(today.data?.earlier ?? []), ...(today.data?.later ?? [])]
  return (
    <Command.List className="max-h-[60vh] overflow-auto p-1">
      <Command.Empty className="p-4 text-soft">{t`Nothing by that name.`}</Command.Empty>
      {staff && /^book\s+\S/i.test(typed) && (
        <Command.Item
          forceMount
          value={typed}
          onSelect={go(`/bookings?say=${encodeURIComponent(typed)}`)}
          className="flex min-h-10 cursor-pointer items-center px-3 data-[selected=true]:bg-wash data-[selected=true]:font-semibold"
        >
          {t`${capital(typed)}: look at it and book`}
        </Command.Item>
      )}
      <Group heading={t`Places`}>
        {[t`Today`, t`Bookings`, ...(staff ? [t`Students`, t`People`] : []), t`Sites`, t`Fleet`, t`Method`].map(
          (word) => (
            <Item key={word} onSelect={go(word === 'Today' ? '/' : `/${word.toLowerCase()}`)}>
              {word}
            </Item>
          ),
        )}
      </Group>
      <Group heading={t`Sorties`}>
        {sorties.flatMap((sortie) =>
          STAGES.map((stage) => (
            <Item key={sortie.id + stage} onSelect={go(`/sorties/${sortie.id}/${stage}`)}>
              {sortie.student.name}, {shortDayOf(sortie.starts_at)} {clockOf(sortie.starts_at)}: {capital(stage)}
            </Item>
          )),
        )}
      </Group>
      <Group heading={t`Students`}>
        {(students.data ?? []).map((student) => (
          <Item key={student.id} onSelect={go(`/students/${student.id}`)}>
            {student.name}
          </Item>
        ))}
      </Group>
      <Group heading={t`Sites`}>
        {(sites.data ?? []).map((site) => (
          <Item key={site.id} onSelect={go(`/sites/${site.id}`)}>
            {site.name}
          </Item>
        ))}
      </Group>
      <Group heading={t`Aircraft`}>
        {(aircraft.data ?? []).map((row) => (
          <Item key={row.id} onSelect={go('/fleet')}>
            {row.mark} {row.type_name}
          </Item>
        ))}
      </Group>
      <Group heading={t`Manoeuvres`}>
        {(catalogue.data?.manoeuvres ?? []).map((manoeuvre) => (
          <Item key={manoeuvre.id} onSelect={go('/method')}>
            {manoeuvre.title}
          </Item>
        ))}
      </Group>
      <Group heading={t`Actions`}>
        {MODES.map((mode) => (
          <Item
            key={mode}
            onSelect={() => {
              setMode(mode)
              close()
            }}
          >
            {t`Switch to ${MODE_WORDS[mode].toLowerCase()} mode`}
          </Item>
        ))}
        <Item onSelect={() => setKeys(!keys)}>{t`Switch single keys ${keys ? t`off` : t`on`}`}</Item>
        <Item onSelect={() => window.print()}>{t`Print this view`}</Item>
      </Group>
    </Command.List>
  )
}

const Group = ({ heading, children }: { heading: string; children: React.ReactNode }) => (
  <Command.Group
    heading={heading}
    className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-soft"
  >
    {children}
  </Command.Group>
)

const Item = ({ onSelect, children }: { onSelect: () => void; children: React.ReactNode }) => (
  <Command.Item
    onSelect={onSelect}
    className="flex min-h-10 cursor-pointer items-center px-3 data-[selected=true]:bg-wash data-[selected=true]:font-semibold"
  >
    {children}
  </Command.Item>
)
