import { Button, Stack, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import type { Invited, WelcomeDto } from '@plumb-mark/contract'
import { dtoResolver } from '../ui/dto-resolver.js'
import { ApiError, post } from '../data/api.js'
import { signIn } from '../offline/sign-in.js'
import { Problem } from '../ui/problem.js'
import { Door } from './door.js'
import { NewPassword } from './new-password.js'
import { Faint, Strong } from '../ui/theme/text.js'

/** Where a one-time link leads: choose a password, and be in with it. The token stays behind the #, where no server sees it. */
export function Welcome() {
  const navigate = useNavigate()
  const [refused, setRefused] = useState('')
  const [done, setDone] = useState(false)
  const [same, setSame] = useState(false)
  const { invited, used } = useInvitation()
  const { register, handleSubmit, formState } = useForm<WelcomeDto>({
    resolver: dtoResolver(({ WelcomeDto: of }) => of),
    defaultValues: { token: token(), password: '' },
  })
  const { errors } = formState
  const submit = handleSubmit(async (wish) => {
    try {
      await post('/api/welcome', wish)
      setDone(true)
      // Whoever has just chosen it need not type it once more.
      if (!invited) return
      await navigate('/', { replace: true })
      await signIn(invited.email, wish.password)
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
  if (used)
    return (
      <Door title="Welcome">
        <Problem>{used}</Problem>
        <Button onClick={() => void navigate('/')}>Sign in</Button>
      </Door>
    )
  return (
    <Door title="Welcome">
      <Strong>{invited ? `${invited.name}, ${invited.email}` : ' '}</Strong>
      <Faint>Choose your password. It should be long; it need not be complicated.</Faint>
      <Stack as="form" gap="14px" onSubmit={(event) => void submit(event)}>
        <NewPassword
          field={register('password')}
          problem={errors.password?.message}
          autoFocus
          onSame={setSame}
        />
        <Button type="submit" disabled={!same} loading={formState.isSubmitting}>
          Set the password
        </Button>
        <Problem>{refused || errors.token?.message}</Problem>
      </Stack>
    </Door>
  )
}

/** For whom the link is, asked before anybody types a password; without the server the form says so itself. */
function useInvitation(): { invited: Invited | undefined; used: string } {
  const { data, error } = useQuery({
    queryKey: ['invitation', token()],
    queryFn: () => post<Invited>('/api/welcome/look', { token: token() }),
    retry: false,
  })
  return { invited: data, used: error instanceof ApiError && error.status === 410 ? error.message : '' }
}

const token = () => window.location.hash.slice(1)
