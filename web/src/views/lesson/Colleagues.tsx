import { t } from '@lingui/core/macro'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, unwrap, type Session, type Sortie } from '../../api/client'
import { isLearner } from '../../api/who'
import { Pick } from '../../design/Pick'
import { Refused } from '../../design/Field'
import { Sheet } from '../../design/Sheet'

const useInstructors = () =>
  useQuery({ queryKey: ['instructors'], queryFn: () => unwrap(api.GET('/api/instructor-names')) })

function useColleagues(id: string) {
  const queries = useQueryClient()
  const kept = { onSuccess: (row: Sortie) => queries.setQueryData(['sortie', id], row) }
  const add = useMutation({
    mutationFn: (person: string) =>
      unwrap(api.POST('/api/sorties/{id}/colleagues', { params: { path: { id } }, body: { person_id: person } })),
    ...kept,
  })
  const remove = useMutation({
    mutationFn: (person: string) =>
      unwrap(api.DELETE('/api/sorties/{id}/colleagues/{person}', { params: { path: { id, person } } })),
    ...kept,
  })
  return { add, remove }
}

/** Who teaches the lesson beside its instructor; to whom it is not theirs, what they can do. */
export function Colleagues({ sortie, session }: { sortie: Sortie; session: Session }) {
  if (isLearner(session.person)) return null
  if (!sortie.may_edit)
    return (
      <p className="label m-0">
        {t`A lesson of ${sortie.instructor.name}: you read it. To change it, ask them or the chief instructor to add you.`}
      </p>
    )
  return (
    <Sheet word={t`Add a colleague`} title={t`Who teaches it`}>
      {() => <Teaching sortie={sortie} />}
    </Sheet>
  )
}

function Teaching({ sortie }: { sortie: Sortie }) {
  const people = useInstructors()
  const { add, remove } = useColleagues(sortie.id)
  const free = (people.data ?? []).filter(
    ({ id }) => id !== sortie.instructor.id && !sortie.colleagues.some((one) => one.id === id),
  )
  return (
    <>
      <p className="mt-0">
        {t`${sortie.instructor.name} gives the lesson. Whoever is added changes it and grades as they do; everybody else reads it, and can give a second opinion.`}
      </p>
      <ul className="mt-0 mb-3 list-none p-0">
        {sortie.colleagues.map((one) => (
          <li key={one.id} className="flex items-center justify-between gap-3 border-t border-rule py-1.5">
            {one.name}
            <button type="button" className="button" onClick={() => remove.mutate(one.id)}>
              {t`Take off`}
            </button>
          </li>
        ))}
      </ul>
      <Pick
        aria-label={t`Colleague`}
        value=""
        choices={[{ id: '', word: t`Add a colleague…` }, ...free.map(({ id, name }) => ({ id, word: name }))]}
        onChange={(id) => id && add.mutate(id)}
      />
      <Refused error={add.error ?? remove.error} />
    </>
  )
}
