import { Choice } from '../../design/Choice'
import { GradeGlyph } from '../../design/GradeGlyph'
import { GRADE_WORDS } from '../../design/words'

interface Props {
  label: string
  value: number | undefined
  onChange: (grade: number) => void
}

const GLYPHS = Object.fromEntries(
  GRADE_WORDS.map((_, grade) => [
    grade,
    <span key={grade} aria-hidden="true">
      <GradeGlyph grade={grade} size={22} />
    </span>,
  ]),
)

/** The five grades, one to choose. */
export const GradeChoice = ({ label, value, onChange }: Props) => (
  <Choice
    label={label}
    words={GLYPHS}
    said={GRADE_WORDS}
    value={value === undefined ? undefined : String(value)}
    onPick={(grade) => onChange(Number(grade))}
    className="mt-1 grid grid-cols-5 gap-1"
    item="grid min-h-11 cursor-pointer place-items-center border border-faint text-ink data-[state=on]:border-2 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper"
  />
)
