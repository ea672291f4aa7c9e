import { Box, Button, Text } from '@chakra-ui/react'
import { LogOut } from 'lucide-react'
import { useState } from 'react'
import { useSession } from '../data/session.js'
import { waitingInAll } from '../offline/outbox.js'
import { signOut } from '../offline/sign-in.js'
import { Cluster } from '../ui/cluster.js'
import { IconButton } from '../ui/buttons.js'

/** Signs out; with something waiting on this device it says so first, and whose it stays. */
export function SignOut() {
  const person = useSession((session) => session.person)
  const [left, setLeft] = useState(0)
  const leave = async () => {
    const waits = person ? (await waitingInAll(person.id)).length : 0
    if (waits === 0) void signOut()
    else setLeft(waits)
  }
  return (
    <Box position="relative">
      <IconButton onClick={() => void leave()} aria-label="Sign out" title={`Sign out ${person?.name ?? ''}`}>
        <LogOut size={19} />
      </IconButton>
      {left > 0 && (
        <Box
          layerStyle="card"
          role="alertdialog"
          aria-label="Something waits on this device"
          position="absolute"
          right={0}
          zIndex={20}
          w="280px"
          boxShadow="md"
        >
          <Text mb="10px">
            {left === 1 ? 'One entry waits' : `${left} entries wait`} on this device. They stay here and are
            sent when {person?.name} signs in here again.
          </Text>
          <Cluster>
            <Button onClick={() => setLeft(0)}>Stay</Button>
            <Button variant="outline" onClick={() => void signOut()}>
              Sign out all the same
            </Button>
          </Cluster>
        </Box>
      )}
    </Box>
  )
}
