import { Box, Button, Flex } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import Drawn from 'signature_pad'

/** A place to sign with finger, pen or mouse; what is drawn comes as a PNG, empty when it was cleared. */
export function SignaturePad({ onDrawn }: { onDrawn: (png: string) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<Drawn>(undefined)
  useEffect(() => {
    const drawn = new Drawn(canvas.current!, {
      penColor: '#1d2a44',
      backgroundColor: 'rgba(255,255,255,1)',
    })
    pad.current = drawn
    drawn.addEventListener('endStroke', () => onDrawn(drawn.toDataURL('image/png')))
    return () => drawn.off()
  }, [onDrawn])
  return (
    <Box>
      <canvas
        ref={canvas}
        width={500}
        height={180}
        aria-label="Draw the signature here"
        style={{
          width: '100%',
          background: '#fff',
          border: '1px solid',
          touchAction: 'none',
          borderRadius: 4,
        }}
      />
      <Flex justify="flex-end">
        <Button variant="plain" onClick={() => (pad.current?.clear(), onDrawn(''))}>
          Clear
        </Button>
      </Flex>
    </Box>
  )
}
