import { Button, type ButtonProps } from '@chakra-ui/react'
import { useRef } from 'react'

interface Props extends Omit<ButtonProps, 'onClick'> {
  /** What the file is, for whoever does not see the button. */
  label: string
  accept: string
  /** On a phone the camera opens in place of the files. */
  camera?: boolean
  multiple?: boolean
  /** Called once for what was chosen together; the same file may be chosen again after it. */
  onFiles: (files: File[]) => unknown
}

/** A button that asks for a file, or several. */
export function FileButton({ label, accept, camera, multiple, onFiles, ...button }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button variant="outline" {...button} onClick={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={accept}
        capture={camera ? 'environment' : undefined}
        multiple={multiple}
        hidden
        aria-label={label}
        onChange={({ target }) => {
          const files = [...(target.files ?? [])]
          // A browser says nothing when the same file is chosen twice in a row, though it may have been mended meanwhile.
          target.value = ''
          if (files.length > 0) onFiles(files)
        }}
      />
    </>
  )
}
