import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { LogOut } from 'lucide-react'
import { useState } from 'react'
import { useSession } from '../data/session.js'
import { waitingInAll } from '../offline/outbox.js'
import { signOut } from '../offline/sign-in.js'

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
      <Button
        variant="plain"
        px="0"
        minW="44px"
        onClick={() => void leave()}
        aria-label="Sign out"
        title={`Sign out ${person?.name ?? ''}`}
      >
        <LogOut size={19} />
      </Button>
      {left > 0 && (
        <Box
          role="alertdialog"
          aria-label="Something waits on this device"
          position="absolute"
          right={0}
          zIndex={20}
          w="280px"
          p="14px"
          bg="panel"
          border="1px solid"
          borderColor="hair"
          borderRadius="4px"
          boxShadow="md"
        >
          <Text mb="10px">
            {left === 1 ? 'One entry waits' : `${left} entries wait`} on this device. They stay here and are
            sent when {person?.name} signs in here again.
          </Text>
          <Flex gap="8px" wrap="wrap">
            <Button onClick={() => setLeft(0)}>Stay</Button>
            <Button variant="outline" onClick={() => void signOut()}>
              Sign out all the same
            </Button>
          </Flex>
        </Box>
      )}
    </Box>
  )
}
