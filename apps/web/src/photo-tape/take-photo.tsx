import { Camera } from 'lucide-react'
import { FileButton } from '../ui/file-button.js'

/** A photo from the camera or from the device. */
export const TakePhoto = ({ label, onTake }: { label: string; onTake: (photo: File) => void }) => (
  <FileButton
    label="Photo to measure on"
    accept="image/jpeg,image/png,image/webp"
    camera
    onFiles={([photo]) => photo && onTake(photo)}
  >
    <Camera size={18} /> {label}
  </FileButton>
)
