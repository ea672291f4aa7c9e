import { Box, Flex, HStack, Text, chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { Link, NavLink } from 'react-router'
import { SmallPrint, SubTitle } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { SkipLink } from '../ui/skip-link.js'
import { PlumbBob } from '../ui/plumb-bob.js'
import { StorageNotice } from './storage-notice.js'
import { WaitingMark } from './waiting-mark.js'
import { SignOut } from './sign-out.js'
import { HelpLink } from './help-link.js'
import { useKeptFocus } from './kept-focus.js'
import { usePageTitle } from './page-title.js'
import { SettingsMenu } from './settings-menu.js'

const Tab = chakra(NavLink, {
  base: {
    minH: '44px',
    px: '14px',
    display: 'inline-flex',
    alignItems: 'center',
    color: 'faint',
    fontWeight: 600,
    borderBottom: '3px solid transparent',
    whiteSpace: 'nowrap',
    '&.active': { color: 'text', borderColor: 'accent' },
  },
})

const CONTENT = 'content'

/** The bar at the top of every screen: where we are, where else to go, who is here. */
export function Frame({
  title,
  subject = title,
  tabs = [],
  status,
  children,
}: {
  title?: string
  /** What the tab of the browser names beside the view, where that is not what the bar says. */
  subject?: string | undefined
  tabs?: { to: string; label: string }[]
  status?: ReactNode
  children: ReactNode
}) {
  const person = useSession((session) => session.person)
  useKeptFocus()
  usePageTitle(subject)
  return (
    <Flex direction="column" minH="100dvh">
      <SkipLink href={`#${CONTENT}`}>Skip to the content</SkipLink>
      <chakra.header layerStyle="ruleBelow" bg="panel" px={{ base: '10px', md: '18px' }}>
        <Flex
          align="center"
          gap={{ base: '8px', md: '18px' }}
          minH="52px"
          wrap={{ base: 'wrap', lg: 'nowrap' }}
        >
          <chakra.div
            asChild
            display="inline-flex"
            alignItems="center"
            gap="8px"
            minH="44px"
            minW="44px"
            flexShrink={0}
            whiteSpace="nowrap"
          >
            <Link to="/jobs" aria-label="Plumb Mark, all jobs">
              <PlumbBob />
              <SubTitle as="span" hideBelow="md">
                Plumb Mark
              </SubTitle>
            </Link>
          </chakra.div>
          {title && (
            <Text
              as="h1"
              fontWeight={600}
              fontSize={{ base: '15px', md: '16px' }}
              flex={{ base: '1 1 0', lg: '0 1 auto' }}
              minW={0}
              truncate
            >
              {title}
            </Text>
          )}
          <chakra.nav
            display="flex"
            gap="2px"
            order={{ base: 3, lg: 0 }}
            w={{ base: '100%', lg: 'auto' }}
            flexShrink={{ lg: 0 }}
            overflowX="auto"
            aria-label={tabs.length > 0 ? 'Views of this job' : 'Views'}
          >
            {person && tabs.length === 0 && (
              <>
                <Tab to="/jobs">Jobs</Tab>
                <Tab to="/defects">Defects</Tab>
                {person?.role !== 'installer' && (
                  <>
                    <Tab to="/visits">Visits</Tab>
                    <Tab to="/sheets">Sheets</Tab>
                    <Tab to="/instruments">Instruments</Tab>
                  </>
                )}
                <Tab to="/calculators">Calculators</Tab>
                <Tab to="/practice">Practice</Tab>
                {person?.role === 'office' && <Tab to="/office">Office</Tab>}
              </>
            )}
            {tabs.map(({ to, label }) => (
              <Tab key={to} to={to}>
                {label}
              </Tab>
            ))}
          </chakra.nav>
          <HStack ml="auto" gap="4px" flexShrink={0} whiteSpace="nowrap">
            {status}
            <WaitingMark />
            <SmallPrint hideBelow="2xl">
              {person?.name}, {person?.role}
            </SmallPrint>
            <HelpLink />
            <SettingsMenu />
            {person ? <SignOut /> : <Tab to="/jobs">Sign in</Tab>}
          </HStack>
        </Flex>
      </chakra.header>
      <StorageNotice />
      <Box as="main" id={CONTENT} tabIndex={-1} outline="none" flex="1" minH={0}>
        {children}
      </Box>
    </Flex>
  )
}
