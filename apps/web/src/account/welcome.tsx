import { Button, Input, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import type { WelcomeDto } from '@plumb-mark/contract'
import { dtoResolver } from '../ui/dto-resolver.js'
import { post } from '../data/api.js'
import { Field } from '../ui/field.js'
import { Problem } from '../ui/problem.js'
import { Door } from './door.js'

/** Where a one-time link leads: choose a password, then sign in with it. The token stays behind the #, where no server sees it. */
export function Welcome() {
  const navigate = useNavigate()
  const [refused, setRefused] = useState('')
  const [done, setDone] = useState(false)
  const { register, handleSubmit, formState } = useForm<WelcomeDto>({
    resolver: dtoResolver(({ WelcomeDto: of }) => of),
    defaultValues: { token: window.location.hash.slice(1), password: '' },
  })
  const { errors } = formState
  const submit = handleSubmit(async (wish) => {
    try {
      await post('/api/welcome', wish)
      setDone(true)
    } catch (problem) {
      setRefused((problem as Error).message)
    }
  })
  if (done)
    return (
      <Door title="Welcome">
        <Text>Your password is set. The link opens nothing any more.</Text>
        <Button onClick={() => void navigate('/')}>Sign in</Button>
      </Door>
    )
  return (
    <Door title="Welcome">
      <Text color="faint">Choose your password. It should be long; it need not be complicated.</Text>
      <Stack as="form" gap="14px" onSubmit={(event) => void submit(event)}>
        <Field label="Password, 12 characters or more" problem={errors.password?.message}>
          {(ids) => (
            <Input {...ids} {...register('password')} type="password" autoComplete="new-password" autoFocus />
          )}
        </Field>
        <Button type="submit" loading={formState.isSubmitting}>
          Set the password
        </Button>
        <Problem>{refused || errors.token?.message}</Problem>
      </Stack>
    </Door>
  )
}
