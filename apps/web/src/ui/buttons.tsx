import { Button, chakra, type ButtonProps } from '@chakra-ui/react'

/** A button in line with what stands above it. */
export const LinkButton = (props: ButtonProps) => <Button variant="plain" px="0" {...props} />

/** A button that is a picture alone: as wide as a thumb. Its name stands in `aria-label`. */
export const IconButton = (props: ButtonProps) => <LinkButton minW="44px" {...props} />

/** For a gloved hand: the one thing that is done next. */
export const HandButton = (props: ButtonProps) => <Button h="56px" {...props} />

/** What opens and closes what lies under it. */
export const Summary = chakra('summary', {
  base: { display: 'list-item', minH: '44px', py: '10px', cursor: 'pointer', color: 'accent' },
})
