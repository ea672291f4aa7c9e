import { Button } from '@chakra-ui/react'
import { Ruler } from 'lucide-react'
import { useState } from 'react'
import {
  formatQuantity,
  photoInstrument,
  siteDay,
  type Instrument,
  type PhotoReading,
  type PhotoRef,
  type ReadOff,
} from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { SmallDanger, SmallPrint } from '../ui/theme/text.js'
import { useInspection } from '../job/inspection.js'
import { useSiteZone } from '../job/site-time.js'
import { keepPhoto } from '../offline/photos.js'
import { PhotoTape } from '../photo-tape/lazy-photo-tape.js'

/** A length that was read off a photo, on its way into a reading. */
export interface OffPhoto {
  typed: string
  photo: PhotoRef
  instrument: Instrument
  reading: PhotoReading
}

/** Offers to read a length off a photo, where the tape does not reach. */
export function FromPhoto({
  title,
  taken,
  onTaken,
}: {
  title: string
  taken: OffPhoto | undefined
  onTaken: (taken: OffPhoto) => void
}) {
  const jobId = useInspection((state) => state.jobId)
  const sheets = useInspection((state) => state.sheets)
  const units = useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []
  const tellsPlace = useInspection(({ inspection }) => inspection?.state.header?.photosTellPlace)
  // Held for that day, and judged by the day at the site.
  const zone = useSiteZone()
  const by = useSession(({ person }) => person?.id ?? '')
  const [open, setOpen] = useState(false)
  const [problem, setProblem] = useState<string>()
  const boxes = units.flatMap(({ id, label, sheetId }) => {
    const size = sheets.get(sheetId)?.size
    return size ? [{ id, label, x: 0, y: 0, w: size.width, h: size.height }] : []
  })
  const use = async (file: Blob, reading: PhotoReading, { value, uncertainty }: ReadOff) => {
    try {
      const photo = {
        ...(await keepPhoto(jobId ?? '', by, file, { tellsPlace })),
        caption: `${title}, measured`,
      }
      const known = Math.ceil(10 * uncertainty) / 10
      onTaken({
        typed: formatQuantity(value, 'length', { decimals: 1 }),
        photo,
        reading,
        instrument: photoInstrument(photo, known, siteDay(new Date().toISOString(), zone)),
      })
      setOpen(false)
    } catch (fault) {
      setProblem(`The photo was not kept: ${(fault as Error).message}`)
    }
  }
  return (
    <>
      {taken ? (
        <SmallPrint>
          Read off a photo, to ±{formatQuantity(taken.instrument.accuracy[0]!.plus, 'length')}: type a figure
          to take the tape instead.
        </SmallPrint>
      ) : (
        <Button variant="outline" alignSelf="start" onClick={() => setOpen(true)}>
          <Ruler size={18} /> Off a photo
        </Button>
      )}
      {problem && <SmallDanger role="alert">{problem}</SmallDanger>}
      {open && (
        <PhotoTape
          seeks="length"
          title={title}
          boxes={boxes}
          onLength={(...found) => void use(...found)}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  )
}
