import { HStack, Text } from '@chakra-ui/react'
import { Smartphone } from 'lucide-react'
import { Link } from 'react-router'
import { useOnDevice } from '../offline/use-on-device.js'

/** What of this person waits on this device, in all jobs, wherever they look; it leads to what is kept here. */
export function WaitingMark() {
  const { batches, aside } = useOnDevice()
  const waits = batches.reduce((sum, { entries }) => sum + entries.length, 0)
  const words = [waits > 0 && `${waits} to send`, aside.length > 0 && `${aside.length} set aside`]
    .filter(Boolean)
    .join(', ')
  return (
    <HStack
      asChild
      gap="5px"
      minH="44px"
      minW="44px"
      justify="center"
      fontSize="13px"
      // A phone has no room for what says nothing; the settings lead there too.
      hideBelow={words ? undefined : 'md'}
    >
      <Link
        to="/device"
        aria-label={`On this device${words ? `: ${words}` : ''}`}
        title={`On this device${words ? `: ${words}` : ''}`}
      >
        <Smartphone size={18} />
        {words && (
          <Text as="span" color={aside.length > 0 ? 'danger' : 'unproven'} fontWeight={600} hideBelow="md">
            {words}
          </Text>
        )}
      </Link>
    </HStack>
  )
}
