import { Box } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { SectionTitle } from './theme/text.js'
import { Cluster } from './cluster.js'

/** One subject of the screen: its name, what can be done with all of it, and its rows. */
export function Section({
  title,
  actions,
  children,
}: {
  title: string
  actions?: ReactNode
  children: ReactNode
}) {
  return (
    <Box as="section" aria-label={title} mt="26px">
      <Cluster borderBottom="2px solid" borderColor="text" pb="4px" minH="48px">
        <SectionTitle flex="1">{title}</SectionTitle>
        {actions}
      </Cluster>
      {children}
    </Box>
  )
}

/** What something is, and what can be done with it. */
export function Row({ children }: { children: ReactNode }) {
  return (
    <Cluster layerStyle="ruleBelow" minH="56px" py="6px">
      {children}
    </Cluster>
  )
}
