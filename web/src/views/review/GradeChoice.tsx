import { RadioGroup } from 'radix-ui'
import { GradeGlyph } from '../../design/GradeGlyph'
import { GRADE_WORDS } from '../../design/words'

interface Props {
  label: string
  value: number | undefined
  onChange: (grade: number) => void
}

/** The five grades, one to choose. */
export function GradeChoice({ label, value, onChange }: Props) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value === undefined ? '' : String(value)}
      onValueChange={(next) => onChange(Number(next))}
      className="mt-1 grid grid-cols-5 gap-1"
    >
      {GRADE_WORDS.map((word, grade) => (
        <RadioGroup.Item
          key={word}
          value={String(grade)}
          aria-label={word}
          title={word}
          className="grid min-h-11 cursor-pointer place-items-center border border-faint text-ink data-[state=checked]:border-2 data-[state=checked]:border-ink data-[state=checked]:bg-ink data-[state=checked]:text-paper"
        >
          <span aria-hidden="true">
            <GradeGlyph grade={grade} size={22} />
          </span>
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  )
}
