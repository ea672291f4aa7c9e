import { Box, Button, HStack, Input, chakra } from '@chakra-ui/react'
import type Konva from 'konva'
import { Circle, MoveUpRight, Type, Undo2, X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Arrow, Ellipse, Image as Picture, Layer, Stage, Text as Words } from 'react-konva'
import { TextField } from './text-field.js'
import { Faint } from './theme/text.js'
import { Cluster } from './cluster.js'
import { IconButton } from './buttons.js'

type Mark = { kind: 'arrow' | 'ring' | 'text'; x: number; y: number; dx: number; dy: number; words?: string }

const TOOLS = {
  arrow: { label: 'Arrow', icon: MoveUpRight },
  ring: { label: 'Ring', icon: Circle },
  text: { label: 'Text', icon: Type },
} as const
const OXIDE = '#b3391c'
const Sheet = chakra('div', {
  base: {
    position: 'fixed',
    inset: 0,
    zIndex: 50,
    bg: 'paper',
    p: '14px',
    display: 'flex',
    flexDirection: 'column',
    gap: '8px',
    overflow: 'auto',
  },
})

/** A photo with its caption and simple marks: an arrow, a ring, a few words. The marked picture is a copy. */
export function PhotoMarks({
  address,
  caption,
  onDone,
  onClose,
}: {
  address: string
  caption: string
  onDone: (caption: string, marked: Blob | undefined) => void
  onClose: () => void
}) {
  const stage = useRef<Konva.Stage>(null)
  const [image, setImage] = useState<HTMLImageElement>()
  const [room, setRoom] = useState({ w: 800, h: 500 })
  const [said, setSaid] = useState(caption)
  const [tool, setTool] = useState<Mark['kind']>('arrow')
  const [marks, setMarks] = useState<Mark[]>([])
  const [drawing, setDrawing] = useState<Mark>()
  const [words, setWords] = useState('here')
  useEffect(() => {
    const picture = new window.Image()
    picture.onload = () => setImage(picture)
    picture.src = address
    setRoom({ w: Math.min(window.innerWidth - 28, 1100), h: Math.max(240, window.innerHeight - 260) })
  }, [address])
  const scale = image ? Math.min(room.w / image.width, room.h / image.height) : 1
  const at = () => stage.current?.getRelativePointerPosition() ?? { x: 0, y: 0 }
  const begin = () => {
    const { x, y } = at()
    if (tool === 'text') return setMarks([...marks, { kind: 'text', x, y, dx: 0, dy: 0, words }])
    setDrawing({ kind: tool, x, y, dx: 0, dy: 0 })
  }
  const draw = () => {
    if (!drawing) return
    const { x, y } = at()
    setDrawing({ ...drawing, dx: x - drawing.x, dy: y - drawing.y })
  }
  const end = () => {
    if (drawing && Math.hypot(drawing.dx, drawing.dy) > 8) setMarks([...marks, drawing])
    setDrawing(undefined)
  }
  const done = async () => {
    if (marks.length === 0 || !stage.current) return onDone(said, undefined)
    // At the size of the photo itself, whatever the size on this screen.
    const blob = (await stage.current.toBlob({
      mimeType: 'image/jpeg',
      quality: 0.9,
      pixelRatio: 1 / scale,
    })) as Blob
    onDone(said, blob)
  }
  const thick = 5 / scale
  return (
    <Sheet role="dialog" aria-modal aria-label="Caption and mark the photo">
      <Cluster>
        {(Object.keys(TOOLS) as Mark['kind'][]).map((kind) => {
          const { label, icon: Icon } = TOOLS[kind]
          return (
            <Button
              key={kind}
              variant={tool === kind ? 'solid' : 'outline'}
              aria-pressed={tool === kind}
              onClick={() => setTool(kind)}
            >
              <Icon size={18} /> {label}
            </Button>
          )
        })}
        {tool === 'text' && (
          <Input
            value={words}
            onChange={(event) => setWords(event.target.value)}
            maxW="180px"
            aria-label="Words to write"
          />
        )}
        <Button variant="plain" disabled={marks.length === 0} onClick={() => setMarks(marks.slice(0, -1))}>
          <Undo2 size={18} /> Undo
        </Button>
        <Box flex="1" />
        <IconButton onClick={onClose} aria-label="Close without changes">
          <X size={22} />
        </IconButton>
      </Cluster>
      <Box
        flex="1"
        minH="200px"
        display="grid"
        placeItems="center"
        bg="sunk"
        css={{ touchAction: 'none' }}
        role="img"
        aria-label={`${said}: ${marks.length} marks`}
      >
        {image ? (
          <Stage
            ref={stage}
            width={image.width * scale}
            height={image.height * scale}
            scale={{ x: scale, y: scale }}
            onPointerDown={begin}
            onPointerMove={draw}
            onPointerUp={end}
          >
            <Layer>
              <Picture image={image} />
              {[...marks, ...(drawing ? [drawing] : [])].map((mark, i) => (
                <OneMark key={i} mark={mark} thick={thick} />
              ))}
            </Layer>
          </Stage>
        ) : (
          <Faint>Loading the photo …</Faint>
        )}
      </Box>
      <HStack align="flex-end" gap="10px">
        <Box flex="1">
          <TextField label="Caption" value={said} onChange={setSaid} />
        </Box>
        <Button h="50px" onClick={() => void done()}>
          Use it
        </Button>
      </HStack>
    </Sheet>
  )
}

function OneMark({ mark: { kind, x, y, dx, dy, words }, thick }: { mark: Mark; thick: number }) {
  const line = { stroke: OXIDE, strokeWidth: thick, shadowColor: 'white', shadowBlur: 3 * thick }
  if (kind === 'arrow')
    return (
      <Arrow
        points={[x, y, x + dx, y + dy]}
        fill={OXIDE}
        pointerLength={4 * thick}
        pointerWidth={4 * thick}
        {...line}
      />
    )
  if (kind === 'ring')
    return (
      <Ellipse
        x={x + dx / 2}
        y={y + dy / 2}
        radiusX={Math.abs(dx / 2)}
        radiusY={Math.abs(dy / 2)}
        {...line}
      />
    )
  return (
    <Words
      x={x}
      y={y}
      text={words ?? ''}
      fontSize={7 * thick}
      fontStyle="bold"
      fontFamily="Barlow"
      fill={OXIDE}
      stroke="white"
      strokeWidth={thick * 0.8}
      fillAfterStrokeEnabled
    />
  )
}
