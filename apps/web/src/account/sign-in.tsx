import { Box, Button, Input, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { DemoAccount, SignInDto } from '@plumb-mark/contract'
import { dtoResolver } from '../ui/dto-resolver.js'
import { useResource } from '../data/resource.js'
import { Field } from '../ui/field.js'
import { Faint, Note } from '../ui/theme/text.js'
import { Door } from './door.js'
import { signIn } from '../offline/sign-in.js'

/** The way in, at whatever address: who was in the middle of something goes on there. */
export function SignIn() {
  const [refused, setRefused] = useState('')
  const { register, handleSubmit, formState } = useForm<SignInDto>({
    resolver: dtoResolver(({ SignInDto: of }) => of),
    defaultValues: { email: '', password: '' },
  })
  const submit = handleSubmit(async ({ email, password }) => {
    setRefused('')
    try {
      await signIn(email, password)
    } catch (problem) {
      setRefused((problem as Error).message)
    }
  })
  return (
    <Door title="Plumb Mark">
      <Stack as="form" gap="18px" onSubmit={(event) => void submit(event)}>
        <Faint>Type what the tape, the driver and the meter say, and know at once whether it is right.</Faint>
        <Field label="E-mail" problem={formState.errors.email?.message}>
          {(ids) => <Input {...ids} {...register('email')} type="email" autoComplete="username" autoFocus />}
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
      <DemoAccounts onProblem={setRefused} />
    </Door>
  )
}

/** Where the demo data is loaded, its people stand at the door: one touch each. Elsewhere nothing of the kind. */
function DemoAccounts({ onProblem }: { onProblem: (problem: string) => void }) {
  const { value: people = [] } = useResource<DemoAccount[]>('/api/demo/accounts')
  if (people.length === 0) return null
  return (
    <Box>
      <Note mb="4px">This is the demo, with invented sites and people. Look round as:</Note>
      {people.map(({ name, role, email, password }) => (
        <Button
          key={email}
          variant="outline"
          w="100%"
          mt="6px"
          justifyContent="space-between"
          onClick={() => void signIn(email, password).catch((problem: Error) => onProblem(problem.message))}
        >
          {name} <Note as="span">{role}</Note>
        </Button>
      ))}
    </Box>
  )
}
