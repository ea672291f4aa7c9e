import { Box, Button } from '@chakra-ui/react'
import { QRCodeSVG } from 'qrcode.react'
import type { OneTimeLink as Link } from '@plumb-mark/contract'
import { WELCOME } from '../account/welcome-path.js'
import { Note, PartHeading, SmallMono } from '../ui/theme/text.js'
import { dayHere } from '../data/here-time.js'
import { Cluster } from '../ui/cluster.js'

/** A link by which somebody chooses a password: copied, shown to their telephone, or printed; the program sends no mail. */
export function OneTimeLink({ of, link: { token, expiresAt } }: { of: string; link: Link }) {
  const address = `${window.location.origin}${WELCOME}#${token}`
  return (
    <Cluster bg="accentWash" p="16px" my="12px" gap="18px" borderRadius="4px" role="status" data-print>
      <Box bg="white" p="10px" borderRadius="4px">
        <QRCodeSVG value={address} size={148} level="M" title={`Link for ${of}`} />
      </Box>
      <Box flex="1" minW="240px">
        <PartHeading as="p">Link for {of}, shown only now</PartHeading>
        <SmallMono overflowWrap="anywhere" my="6px">
          {address}
        </SmallMono>
        <Note>
          Works once, until {dayHere(expiresAt)}. Hand it over in person, or let their telephone read the
          code.
        </Note>
        <Cluster mt="10px" _print={{ display: 'none' }}>
          <Button variant="outline" onClick={() => void navigator.clipboard.writeText(address)}>
            Copy
          </Button>
          <Button variant="outline" onClick={() => window.print()}>
            Print
          </Button>
        </Cluster>
      </Box>
    </Cluster>
  )
}
