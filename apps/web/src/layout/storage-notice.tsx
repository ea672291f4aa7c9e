import { Text } from '@chakra-ui/react'
import { useEffect } from 'react'
import { useOnlyHere } from '../offline/outbox.js'
import { usePhotoSending } from '../offline/photos.js'
import { useStorage } from '../offline/storage.js'
import { sizeWords } from '../ui/size-words.js'

/** Before work begins, and whenever it is so: that this device keeps nothing, or soon cannot, and what is in this page alone. */
export function StorageNotice() {
  const { state, usage, quota } = useStorage()
  const entries = useOnlyHere(({ batches }) => batches.reduce((sum, one) => sum + one.entries.length, 0))
  const photos = usePhotoSending((sending) => sending.onlyHere.length)
  const onlyHere = entries + photos
  useEffect(() => {
    if (onlyHere === 0) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    addEventListener('beforeunload', ask)
    return () => removeEventListener('beforeunload', ask)
  }, [onlyHere])
  const words =
    onlyHere > 0
      ? `This device could not keep ${counted(entries, 'entry', 'entries')} and ${counted(photos, 'photo', 'photos')}: they are in this page only. Keep it open until they are sent.`
      : state === 'absent'
        ? 'This browser keeps nothing on this device (a private window, or storage that is switched off): what you enter without signal is lost with the page.'
        : state === 'near-full'
          ? `This device is nearly full: ${sizeWords(usage)} of ${sizeWords(quota)} are used. Send what waits and let jobs go before you work without signal.`
          : undefined
  if (!words) return null
  return (
    <Text layerStyle="notice" role="alert">
      {words}
    </Text>
  )
}

const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`
