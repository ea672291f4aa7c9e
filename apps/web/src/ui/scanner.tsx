import { Box, HStack, Text, chakra } from '@chakra-ui/react'
import { BrowserMultiFormatReader, type IScannerControls } from '@zxing/browser'
import { ImageUp, X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { SectionTitle } from './theme/text.js'
import { IconButton } from './buttons.js'
import { FileButton } from './file-button.js'

const Sheet = chakra('div', {
  base: {
    position: 'fixed',
    inset: 0,
    zIndex: 50,
    bg: 'paper',
    p: '16px',
    display: 'flex',
    flexDirection: 'column',
    gap: '10px',
  },
})

/** Reads a barcode or a QR code off a label: with the camera where there is one, or from a photo. */
export function Scanner({
  title,
  onCode,
  onClose,
}: {
  title: string
  onCode: (code: string) => void
  onClose: () => void
}) {
  const video = useRef<HTMLVideoElement>(null)
  const [said, setSaid] = useState('Hold the label before the camera, or take a photo of it.')
  const found = useRef(onCode)
  useEffect(() => void (found.current = onCode), [onCode])
  useEffect(() => {
    let controls: IScannerControls | undefined
    let gone = false
    new BrowserMultiFormatReader()
      .decodeFromVideoDevice(undefined, video.current!, (result) => result && found.current(result.getText()))
      .then((running) => (gone ? running.stop() : (controls = running)))
      .catch(() =>
        setSaid('No camera can be used here: choose a photo of the label instead, or type the code.'),
      )
    return () => {
      gone = true
      controls?.stop()
    }
  }, [])
  const fromPhoto = async (photo: File) => {
    const address = URL.createObjectURL(photo)
    try {
      found.current((await new BrowserMultiFormatReader().decodeFromImageUrl(address)).getText())
    } catch {
      setSaid('No code was found in that photo: go nearer, avoid glare, keep the code straight.')
    } finally {
      URL.revokeObjectURL(address)
    }
  }
  return (
    <Sheet role="dialog" aria-modal aria-label={`Scan ${title}`}>
      <HStack>
        <SectionTitle as="p" flex="1">
          Scan: {title}
        </SectionTitle>
        <IconButton onClick={onClose} aria-label="Close the scanner" autoFocus>
          <X size={22} />
        </IconButton>
      </HStack>
      <Text role="status">{said}</Text>
      <Box flex="1" minH="200px" bg="sunk" borderRadius="4px" overflow="hidden">
        <chakra.video
          ref={video}
          w="100%"
          h="100%"
          objectFit="contain"
          muted
          playsInline
          aria-label="Camera"
        />
      </Box>
      <FileButton
        label="Photo of the label"
        accept="image/*"
        h="56px"
        variant="solid"
        onFiles={([photo]) => photo && fromPhoto(photo)}
      >
        <ImageUp size={20} /> From a photo
      </FileButton>
    </Sheet>
  )
}
