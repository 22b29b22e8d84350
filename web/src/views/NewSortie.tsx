import { t } from '@lingui/core/macro'
import { later } from '../design/Later'
import { Sheet } from '../design/Sheet'
import type { Known } from './NewSortieForm'

const NewSortieForm = later(() => import('./NewSortieForm').then((file) => file.NewSortieForm))

interface Props {
  date: string
  known?: Known
  word?: string
}

/** A new sortie: who, in what, when, which manoeuvre. The rest is worked out in Prepare. */
export const NewSortie = ({ date, known, word = t`New sortie` }: Props) => (
  <Sheet word={word} title={t`New sortie`}>
    {(close) => <NewSortieForm date={date} known={known} close={close} />}
  </Sheet>
)
