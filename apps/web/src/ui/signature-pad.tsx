import { Box, Button, Flex } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import Drawn from 'signature_pad'
import { TextField } from './text-field.js'
import { LinkButton } from './buttons.js'

const INK = '#1d2a44'
const PAPER = '#ffffff'

/**
 * A place to sign with finger, pen or mouse; what is drawn comes as a PNG, empty when it was cleared. Who works by keyboard types the name,
 * which is drawn as a mark with the same weight.
 */
export function SignaturePad({ name = '', onDrawn }: { name?: string; onDrawn: (png: string) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<Drawn>(undefined)
  const [typed, setTyped] = useState<string>()
  useEffect(() => {
    const drawn = new Drawn(canvas.current!, { penColor: INK, backgroundColor: PAPER })
    pad.current = drawn
    drawn.addEventListener('endStroke', () => onDrawn(drawn.toDataURL('image/png')))
    return () => drawn.off()
  }, [onDrawn])
  const clear = () => {
    pad.current?.clear()
    setTyped(undefined)
    onDrawn('')
  }
  const type = (text: string) => {
    setTyped(text)
    onDrawn(text.trim() === '' ? '' : markOf(canvas.current!, text.trim()))
  }
  return (
    <Box>
      <canvas
        ref={canvas}
        width={500}
        height={180}
        aria-label="Draw the signature here"
        style={{
          width: '100%',
          background: PAPER,
          border: '1px solid',
          touchAction: 'none',
          borderRadius: 4,
        }}
      />
      <Flex justify="space-between" align="flex-end" gap="10px">
        {typed === undefined ? (
          <LinkButton onClick={() => (pad.current?.clear(), type(name))}>Type the name instead</LinkButton>
        ) : (
          <TextField label="Name as the mark" value={typed} onChange={type} autoFocus autoComplete="off" />
        )}
        <Button variant="plain" onClick={clear}>
          Clear
        </Button>
      </Flex>
    </Box>
  )
}

/** The name drawn across the pad, over a line, as large as it fits. */
function markOf(canvas: HTMLCanvasElement, name: string): string {
  const { width, height } = canvas
  const pen = canvas.getContext('2d')
  if (!pen) return ''
  pen.fillStyle = PAPER
  pen.fillRect(0, 0, width, height)
  pen.fillStyle = pen.strokeStyle = INK
  pen.font = 'italic 56px Georgia, serif'
  pen.textBaseline = 'alphabetic'
  const size = Math.min(56, (56 * width * 0.86) / Math.max(1, pen.measureText(name).width))
  pen.font = `italic ${size}px Georgia, serif`
  pen.fillText(name, width * 0.07, height * 0.62)
  pen.beginPath()
  pen.moveTo(width * 0.06, height * 0.72)
  pen.lineTo(width * 0.94, height * 0.7)
  pen.lineWidth = 2
  pen.stroke()
  return canvas.toDataURL('image/png')
}
