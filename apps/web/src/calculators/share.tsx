import { Box, Button } from '@chakra-ui/react'
import { QRCodeSVG } from 'qrcode.react'
import { useState } from 'react'
import { toLink } from '../data/calculators/link.js'
import { Cluster } from '../ui/cluster.js'

/** These figures for somebody else: as a link, as a code for the phone beside the laptop, on paper. */
export function Share({ draft }: { draft: unknown }) {
  const [copied, setCopied] = useState(false)
  const [code, setCode] = useState(false)
  const { origin, pathname } = window.location
  const address = `${origin}${pathname}?in=${toLink(draft)}`
  const copy = async () => {
    await navigator.clipboard.writeText(address).then(
      () => setCopied(true),
      () => setCopied(false),
    )
  }
  return (
    <Box mt="10px" css={{ '@media print': { display: 'none' } }}>
      <Cluster>
        <Button variant="outline" onClick={() => void copy()}>
          {copied ? 'Link copied' : 'Copy a link with these figures'}
        </Button>
        <Button variant="outline" aria-expanded={code} onClick={() => setCode(!code)}>
          QR code
        </Button>
        <Button variant="outline" onClick={() => window.print()}>
          Print
        </Button>
      </Cluster>
      {code && (
        <Box bg="white" p="10px" mt="10px" w="fit-content">
          <QRCodeSVG value={address} size={220} title="Opens this calculator with these figures" />
        </Box>
      )}
    </Box>
  )
}
