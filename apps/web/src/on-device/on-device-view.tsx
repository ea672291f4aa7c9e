import { Text } from '@chakra-ui/react'
import { Page } from '../layout/page.js'
import { Note } from '../ui/theme/text.js'
import { sizeWords } from '../ui/size-words.js'
import { useStorage } from '../offline/storage.js'
import { JobsHere } from './jobs-here.js'
import { SetAsideHere } from './set-aside-here.js'
import { TakeAlong } from './take-along.js'
import { useOnDevice } from '../offline/use-on-device.js'
import { UnreadHere } from './unread-here.js'
import { WaitingHere } from './waiting-here.js'

/** What this device has: what waits to be sent, what was set aside, and the jobs that open without signal. */
export function OnDeviceView() {
  const here = useOnDevice()
  return (
    <Page title="On this device" width="900px">
      <WaitingHere here={here} />
      <SetAsideHere here={here} />
      <UnreadHere />
      <JobsHere jobs={here.jobs} />
      <TakeAlong jobs={here.jobs} />
      <Room />
    </Page>
  )
}

/** How much room there is, and whether the browser has promised to keep what is here. */
function Room() {
  const { state, usage, quota, persistent } = useStorage()
  if (state === 'unknown' || state === 'absent') return null
  return (
    <Note layerStyle="ruleAbove" mt="28px" pt="10px">
      {sizeWords(usage)} used{quota > 0 && ` of ${sizeWords(quota)} that this browser may keep`}.{' '}
      <Text as="span" color={persistent ? 'faint' : 'unproven'}>
        {persistent
          ? 'The browser has promised not to clear it away by itself.'
          : 'The browser may clear it away when the device is short of room: install the application, or send what waits before the day is over.'}
      </Text>
    </Note>
  )
}
