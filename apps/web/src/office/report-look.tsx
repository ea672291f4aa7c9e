import { Box, Button, Image, Stack, Text, chakra } from '@chakra-ui/react'
import { ImageUp } from 'lucide-react'
import { useState } from 'react'
import { PAPERS, type ReportLook } from '@plumb-mark/contract'
import {
  AUDIENCES,
  AUDIENCE_WORDS,
  PART_IDS,
  PART_TITLES,
  type Audience,
  type PartId,
} from '@plumb-mark/report'
import { put } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Note, Small } from '../ui/theme/text.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'
import { Cluster } from '../ui/cluster.js'
import { FileButton } from '../ui/file-button.js'

const ADDRESS = '/api/office/report'

/** What reports look like, and which parts of them go to whom. */
export function Reports() {
  const { value: data, problem } = useResource<ReportLook>(ADDRESS)
  if (problem) return <Problem mt="10px">{problem}</Problem>
  if (!data) return <Text role="status">Loading…</Text>
  return <Form key={JSON.stringify(data)} kept={data} />
}

function Form({ kept }: { kept: ReportLook }) {
  const reload = useReload()
  const [look, setLook] = useState(kept)
  const [problem, setProblem] = useState('')
  const { letterhead, parts, paper } = look
  const changed = JSON.stringify(look) !== JSON.stringify(kept)
  const head = (part: Partial<ReportLook['letterhead']>) =>
    setLook({ ...look, letterhead: { ...letterhead, ...part } })
  const flip = (audience: Audience, id: PartId) => {
    const now = parts[audience]
    const next = now.includes(id) ? now.filter((one) => one !== id) : [...now, id]
    setLook({ ...look, parts: { ...parts, [audience]: next } })
  }
  const save = async () => {
    try {
      const lines = letterhead.lines.map((line) => line.trim()).filter(Boolean)
      await put<ReportLook>(ADDRESS, { ...look, letterhead: { ...letterhead, lines } })
      await reload(ADDRESS)
      setProblem('')
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  const takeLogo = (file: File | undefined) => {
    if (!file) return
    const reader = new FileReader()
    reader.onload = () => head({ logo: String(reader.result) })
    reader.readAsDataURL(file)
  }
  return (
    <Stack gap="18px" mt="12px" as="form" onSubmit={(event) => (event.preventDefault(), void save())}>
      <Problem>{problem}</Problem>
      <Cluster gap="18px" alignItems="start">
        <Stack gap="10px" w={{ base: '100%', md: '420px' }}>
          <TextField
            label="Office, as it signs its reports"
            value={letterhead.name}
            onChange={(name) => head({ name })}
          />
          <Box>
            <chakra.label htmlFor="letterhead-lines" fontSize="13px" color="faint">
              Address and telephone, a line each
            </chakra.label>
            <chakra.textarea
              id="letterhead-lines"
              rows={4}
              w="100%"
              p="8px"
              bg="panel"
              border="1px solid"
              borderColor="faint"
              borderRadius="4px"
              value={letterhead.lines.join('\n')}
              onChange={({ target }) => head({ lines: target.value.split('\n').slice(0, 6) })}
            />
          </Box>
          <ChoiceField
            label="Paper"
            value={paper}
            options={optionsOf(PAPERS, { a4: 'A4', letter: 'US Letter' })}
            onChange={(value) => setLook({ ...look, paper: value })}
          />
        </Stack>
        <Stack>
          <Note>Logo</Note>
          {letterhead.logo ? (
            <>
              <Image
                src={letterhead.logo}
                alt="The logo of the office"
                maxH="80px"
                maxW="220px"
                bg="white"
                p="6px"
              />
              <Button
                variant="plain"
                onClick={() => {
                  const { name, lines } = letterhead
                  setLook({ ...look, letterhead: { name, lines } })
                }}
              >
                Remove
              </Button>
            </>
          ) : (
            <Small>None: reports carry the plumb bob.</Small>
          )}
          <FileButton
            label="Picture of the logo"
            accept="image/png,image/jpeg,image/webp"
            onFiles={([logo]) => takeLogo(logo)}
          >
            <ImageUp size={18} /> Choose a picture
          </FileButton>
        </Stack>
      </Cluster>
      <Box overflowX="auto">
        <Grid aria-label="Which parts go to whom">
          <thead>
            <tr>
              <th scope="col">Part</th>
              {AUDIENCES.map((audience) => (
                <th key={audience} scope="col">
                  {AUDIENCE_WORDS[audience]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {PART_IDS.map((id) => (
              <tr key={id}>
                <th scope="row">{PART_TITLES[id]}</th>
                {AUDIENCES.map((audience) => (
                  <td key={audience}>
                    <chakra.label display="flex" minH="44px" alignItems="center" px="10px">
                      <chakra.input
                        type="checkbox"
                        w="22px"
                        h="22px"
                        aria-label={`${PART_TITLES[id]} for ${AUDIENCE_WORDS[audience]}`}
                        checked={parts[audience].includes(id)}
                        onChange={() => flip(audience, id)}
                      />
                    </chakra.label>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Grid>
      </Box>
      <Button type="submit" alignSelf="start" disabled={!changed}>
        Save
      </Button>
    </Stack>
  )
}

const Grid = chakra('table', {
  base: {
    borderCollapse: 'collapse',
    '& th': { textAlign: 'left', fontWeight: 500, pr: '14px', fontSize: '15px' },
    '& thead th': { color: 'faint', fontSize: '13px', px: '10px', verticalAlign: 'bottom' },
    '& tr': { borderBottom: '1px solid', borderColor: 'hair' },
  },
})
