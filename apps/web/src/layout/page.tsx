import { Box } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { Problem } from '../ui/problem.js'
import { Frame } from './frame.js'
import { ViewTitle } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** A view of its own beside the jobs: its name, what can be done there, and what went wrong. */
export function Page({
  title,
  width,
  problem,
  actions,
  children,
}: {
  title: string
  width: string
  problem?: string | undefined
  actions?: ReactNode
  children: ReactNode
}) {
  return (
    <Frame subject={title}>
      <Box layerStyle="page" maxW={width}>
        <Cluster>
          <ViewTitle flex="1">{title}</ViewTitle>
          {actions}
        </Cluster>
        <Problem mt="14px">{problem}</Problem>
        {children}
      </Box>
    </Frame>
  )
}
