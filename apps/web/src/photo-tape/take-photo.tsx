import { Box, Button } from '@chakra-ui/react'
import { Camera } from 'lucide-react'
import { useRef } from 'react'

/** A photo from the camera or from the device. */
export function TakePhoto({ label, onTake }: { label: string; onTake: (file: Blob | undefined) => void }) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <Box>
      <Button variant="outline" onClick={() => input.current?.click()}>
        <Camera size={18} /> {label}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        hidden
        aria-label="Photo to measure on"
        onChange={(event) => onTake(event.target.files?.[0])}
      />
    </Box>
  )
}
