interface Props {
  word: string
  /** As the browser's own field takes it. */
  accept: string
  onFile: (file: File) => void
  className?: string
}

/** A button that asks for one file; the same one may be chosen twice. */
export const FileButton = ({ word, accept, onFile, className = '' }: Props) => (
  <label className={`button cursor-pointer ${className}`}>
    {word}
    <input
      type="file"
      accept={accept}
      className="sr-only"
      onChange={(event) => {
        const file = event.target.files?.[0]
        if (file) onFile(file)
        event.target.value = ''
      }}
    />
  </label>
)
