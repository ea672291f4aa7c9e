import { Button, Text } from '@chakra-ui/react'
import { useRegisterSW } from 'virtual:pwa-register/react'
import { Cluster } from '../ui/cluster.js'

/** Offers a new version when there is one; the work goes on with the old one until somebody takes it. */
export function Update() {
  const {
    needRefresh: [ready, setReady],
    updateServiceWorker,
  } = useRegisterSW()
  if (!ready) return null
  return (
    <Cluster role="status" bg="accentWash" px="18px" py="8px">
      <Text flex="1">A new version of the program is ready.</Text>
      <Button onClick={() => void updateServiceWorker(true)}>Take it now</Button>
      <Button variant="plain" onClick={() => setReady(false)}>
        Later
      </Button>
    </Cluster>
  )
}
