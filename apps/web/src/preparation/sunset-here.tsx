import { Button } from '@chakra-ui/react'
import { Sunset } from 'lucide-react'
import { useState } from 'react'
import { sunset } from '@plumb-mark/core'
import { SmallPrint } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

const TWO = (n: number) => String(n).padStart(2, '0')

/** Asks the device where it is, once, and says when the sun sets there today; nothing of it is kept or sent. */
export function SunsetHere({ onTime }: { onTime: (time: string) => void }) {
  const [said, say] = useState('')
  if (!('geolocation' in navigator)) return null
  const ask = () =>
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const at = sunset(Date.now(), coords)
        if (at === undefined) return say('The sun does not set here today.')
        const time = new Date(at)
        onTime(`${TWO(time.getHours())}:${TWO(time.getMinutes())}`)
        say('On a flat horizon: a hill takes the light away before.')
      },
      () => say('The device does not say where it is: type until when there is light.'),
      { maximumAge: 3_600_000, timeout: 15_000 },
    )
  return (
    <Cluster alignItems="end">
      <Button variant="outline" h="44px" onClick={ask}>
        <Sunset size={18} /> Sunset here
      </Button>
      <SmallPrint role="status" pb="12px">
        {said}
      </SmallPrint>
    </Cluster>
  )
}
