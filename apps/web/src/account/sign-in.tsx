import { Box, Button, Flex, Input, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import type { SignInDto } from '@plumb-mark/contract'
import { dtoResolver } from '../forms/dto-resolver.js'
import { Field } from '../marks/field.js'
import { PlumbBob } from '../marks/plumb-bob.js'
import { useSession } from './session.js'

export function SignIn() {
  const signIn = useSession((session) => session.signIn)
  const navigate = useNavigate()
  const [refused, setRefused] = useState('')
  const { register, handleSubmit, formState } = useForm<SignInDto>({
    resolver: dtoResolver(({ SignInDto: of }) => of),
    defaultValues: { email: '', password: '' },
  })
  const submit = handleSubmit(async ({ email, password }) => {
    setRefused('')
    try {
      await signIn(email, password)
      await navigate('/jobs')
    } catch (problem) {
      setRefused((problem as Error).message)
    }
  })
  return (
    <Flex minH="100dvh" align="stretch">
      <Flex flex="1" hideBelow="md" bg="sunk" direction="column" align="center" aria-hidden>
        <Box w="1.5px" flex="1" bg="text" />
        <PlumbBob size={120} />
        <Box h="16vh" />
      </Flex>
      <Flex flex="1" align="center" justify="center" p="24px">
        <Stack as="form" gap="18px" w="100%" maxW="360px" onSubmit={(event) => void submit(event)}>
          <Text as="h1" fontFamily="heading" fontSize="44px" lineHeight={1} fontWeight={600}>
            Plumb Mark
          </Text>
          <Text color="faint">
            Type what the tape, the driver and the meter say, and know at once whether it is right.
          </Text>
          <Field label="E-mail" problem={formState.errors.email?.message}>
            {(ids) => (
              <Input {...ids} {...register('email')} type="email" autoComplete="username" autoFocus />
            )}
          </Field>
          <Field label="Password" problem={formState.errors.password?.message ?? (refused || undefined)}>
            {(ids) => (
              <Input {...ids} {...register('password')} type="password" autoComplete="current-password" />
            )}
          </Field>
          <Button type="submit" loading={formState.isSubmitting}>
            Sign in
          </Button>
        </Stack>
      </Flex>
    </Flex>
  )
}
