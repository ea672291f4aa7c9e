import { Text, type TextProps } from '@chakra-ui/react'

/** What went wrong, said at once to eye and ear; nothing when nothing did. */
export function Problem({ children, ...text }: TextProps) {
  if (!children) return null
  return (
    <Text role="alert" color="danger" mt="10px" {...text}>
      {children}
    </Text>
  )
}
