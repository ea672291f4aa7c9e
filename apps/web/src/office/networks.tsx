import { Button, Flex, Stack, Text, chakra } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useState } from 'react'
import { isPrivateNetwork } from '@plumb-mark/core'
import { put } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'

const ADDRESS = '/api/office/networks'

/** In which networks devices may be asked. */
export function Networks() {
  const { value, problem, reload } = useResource<{ networks: string[] }>(ADDRESS)
  const [typed, setTyped] = useState('')
  const [refused, setRefused] = useState('')
  const networks = value?.networks ?? []
  const allow = async (next: string[]) => {
    try {
      await put(ADDRESS, { networks: next })
      setRefused('')
      setTyped('')
      await reload()
    } catch (fault) {
      setRefused((fault as Error).message)
    }
  }
  const wrong = typed.trim() !== '' && !isPrivateNetwork(typed.trim())
  return (
    <>
      <Problem mt="10px">{problem || refused}</Problem>
      <Note my="12px">
        Only private networks, and only those named here. The server asks; no browser does, and nothing is
        ever written to a device.
      </Note>
      <chakra.ul layerStyle="ruleAbove" aria-label="Allowed networks">
        {networks.map((network) => (
          <Flex layerStyle="ruleBelow" key={network} as="li" align="center" minH="52px">
            <Text fontFamily="mono" fontSize="18px" flex="1">
              {network}
            </Text>
            <Button
              variant="plain"
              onClick={() => void allow(networks.filter((one) => one !== network))}
              aria-label={`Remove ${network}`}
            >
              <X size={19} />
            </Button>
          </Flex>
        ))}
      </chakra.ul>
      {value && networks.length === 0 && (
        <Text py="12px">No network is allowed: no device can be asked.</Text>
      )}
      <Stack
        as="form"
        mt="14px"
        maxW="420px"
        onSubmit={(event) => (event.preventDefault(), void allow([...networks, typed.trim()]))}
      >
        <TextField
          label="Another network"
          placeholder="192.168.1.0/24"
          value={typed}
          onChange={setTyped}
          problem={wrong ? 'a private network, written as 192.168.1.0/24' : undefined}
        />
        <Button type="submit" disabled={!typed.trim() || wrong || networks.includes(typed.trim())}>
          Allow
        </Button>
      </Stack>
    </>
  )
}
