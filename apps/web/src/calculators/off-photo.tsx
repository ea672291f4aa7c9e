import { Button } from '@chakra-ui/react'
import { Ruler } from 'lucide-react'
import { useState } from 'react'
import type { PhotoReading, Pixel } from '@plumb-mark/core'
import { PhotoTape } from '../photo-tape/lazy-photo-tape.js'

/** Fills the points of the photo calculator by marking them on a photo, which stays on this device. */
export function OffPhoto({ onTake }: { onTake: (draft: Record<string, unknown>) => void }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button variant="outline" mb="12px" onClick={() => setOpen(true)}>
        <Ruler size={18} /> Mark them on a photo
      </Button>
      {open && (
        <PhotoTape
          seeks="length"
          use="Use the points"
          title="Distances off a photo"
          boxes={[]}
          onLength={(_photo, reading) => {
            onTake(draftOf(reading))
            setOpen(false)
          }}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  )
}

const pixel = ({ px, py }: Pixel) => ({ px: px.toFixed(1), py: py.toFixed(1) })
const mm = (value: number) => `${Number(value.toFixed(1))} mm`

/** As somebody would type it: what was measured, and the check beside it. */
const draftOf = ({ setUp, from, to }: PhotoReading): Record<string, unknown> => ({
  points: setUp.points.map(({ x, y, ...at }) => ({ ...pixel(at), x: mm(x), y: mm(y) })),
  measure: [
    { id: 'length', from: pixel(from), to: pixel(to) },
    { id: 'check', from: pixel(setUp.check.from), to: pixel(setUp.check.to) },
  ],
  ...(setUp.pointUncertainty !== undefined && { pointUncertainty: setUp.pointUncertainty.toFixed(1) }),
  ...(setUp.placeUncertainty !== undefined && { placeUncertainty: mm(setUp.placeUncertainty) }),
})
