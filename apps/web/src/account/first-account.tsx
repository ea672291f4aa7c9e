import { Button, Input, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import type { FirstAccountDto } from '@plumb-mark/contract'
import { dtoResolver } from '../ui/dto-resolver.js'
import { post } from '../data/api.js'
import { Field } from '../ui/field.js'
import { Problem } from '../ui/problem.js'
import { Door } from './door.js'
import { NewPassword } from './new-password.js'
import { signIn } from '../offline/sign-in.js'
import { Faint } from '../ui/theme/text.js'

const wordInAddress = () => new URLSearchParams(location.hash.slice(1)).get('word') ?? ''

/** The first account of an installation that nobody has an account in: it belongs to the office, which lets the others in. */
export function FirstAccount() {
  const [refused, setRefused] = useState('')
  const [same, setSame] = useState(false)
  const go = useNavigate()
  const { register, handleSubmit, formState } = useForm<FirstAccountDto>({
    resolver: dtoResolver(({ FirstAccountDto: of }) => of),
    // The address that the program prints carries the word behind the #, where no server and no log sees it.
    defaultValues: { word: wordInAddress(), name: '', email: '', password: '' },
  })
  const { errors } = formState
  const submit = handleSubmit(async (wish) => {
    try {
      await post('/api/first-account', wish)
      // The way first: whoever is in and clicks on at once is not carried back from where they went.
      await go('/start', { replace: true })
      await signIn(wish.email, wish.password)
    } catch (problem) {
      setRefused((problem as Error).message)
    }
  })
  return (
    <Door title="First account">
      <Faint>
        Nobody has an account here yet. Make the first one, for the office: it lets everybody else in.
      </Faint>
      <Stack as="form" gap="14px" onSubmit={(event) => void submit(event)}>
        <Field
          label="Word from the console"
          problem={errors.word?.message}
          hint="printed where the program was started"
        >
          {(ids) => <Input {...ids} {...register('word')} autoComplete="off" autoFocus={!wordInAddress()} />}
        </Field>
        <Field label="Name" problem={errors.name?.message}>
          {(ids) => (
            <Input {...ids} {...register('name')} autoComplete="name" autoFocus={!!wordInAddress()} />
          )}
        </Field>
        <Field label="E-mail" problem={errors.email?.message}>
          {(ids) => <Input {...ids} {...register('email')} type="email" autoComplete="username" />}
        </Field>
        <NewPassword field={register('password')} problem={errors.password?.message} onSame={setSame} />
        <Button type="submit" disabled={!same} loading={formState.isSubmitting}>
          Make the account
        </Button>
        <Problem>{refused}</Problem>
      </Stack>
    </Door>
  )
}
