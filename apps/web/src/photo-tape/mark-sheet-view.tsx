import { Box, Button, Grid, Text, chakra } from '@chakra-ui/react'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { CHECK_BAR, PAPERS, SHEET_MARKS, onPaper, type Paper } from '@plumb-mark/core'
import { Frame } from '../layout/frame.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { PartTitle } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** The sheet that is printed, taped to the wall and photographed: four marks and a bar whose length is checked with the tape. */
export function MarkSheetView() {
  const [paper, setPaper] = useState<Paper>('A4')
  const { width, height } = PAPERS[paper]
  return (
    <Frame subject="Sheet of marks">
      <Grid
        p={{ base: '14px', lg: '20px 28px' }}
        gap="28px"
        templateColumns={{ base: '1fr', lg: '1fr auto' }}
      >
        <Box>
          <PartTitle as="h1">Sheet for measuring off a photo</PartTitle>
          <Cluster gap="14px" alignItems="flex-end" my="12px">
            <ChoiceField
              label="Paper"
              value={paper}
              options={optionsOf(Object.keys(PAPERS) as Paper[], (one) => PAPERS[one].name)}
              onChange={setPaper}
            />
            <Button onClick={() => window.print()}>
              <Printer size={18} /> Print at 100 %
            </Button>
          </Cluster>
          <Text mb="14px" maxW="64ch">
            Tape it flat to the wall, in the plane of what you measure. Take the photo square to it, so that
            all four marks lie clear of the edge of the photo. The farther from the sheet, the less sure a
            measure is: for a whole wall, tape four points far apart instead.
          </Text>
        </Box>
        <style>{`@page { size: ${width}mm ${height}mm; margin: 0 }`}</style>
        <chakra.svg
          data-print
          viewBox={`0 0 ${width} ${height}`}
          w="100%"
          maxW={{ lg: '560px' }}
          h={{ lg: 'calc(100dvh - 100px)' }}
          bg="white"
          border="1px solid"
          borderColor="hair"
          role="img"
          aria-label={`Four marks 160 mm by 200 mm apart, and a bar of ${CHECK_BAR.length} mm`}
          css={{
            '@media print': {
              position: 'fixed',
              left: 0,
              top: 0,
              width: `${width}mm`,
              height: `${height}mm`,
              border: 'none',
            },
          }}
        >
          {SHEET_MARKS.map((mark) => {
            const { x, y } = onPaper(paper, mark)
            return <PaperMark key={mark.id} x={x} y={y} letter={mark.id} />
          })}
          <Bar paper={paper} />
          <Words paper={paper} />
        </chakra.svg>
      </Grid>
    </Frame>
  )
}

/** A ring with a cross that leaves its middle free: the point itself can be clicked to a fraction of a millimetre. */
function PaperMark({ x, y, letter }: { x: number; y: number; letter: string }) {
  return (
    <g transform={`translate(${x} ${y})`} stroke="#000" fill="none">
      <circle r="9" strokeWidth="2.2" />
      <path d="M-14 0h12 M2 0h12 M0 -14v12 M0 2v12" strokeWidth="0.5" />
      <circle r="0.5" fill="#000" stroke="none" />
      <text
        x="11"
        y="-9"
        style={{ fontSize: 8 }}

        fill="#000"
        stroke="none"
        fontFamily="Barlow, sans-serif"
      >
        {letter}
      </text>
    </g>
  )
}

function Bar({ paper }: { paper: Paper }) {
  const [from, to] = [onPaper(paper, CHECK_BAR.from), onPaper(paper, CHECK_BAR.to)]
  return (
    <g stroke="#000" fill="#000">
      <path d={`M${from.x} ${from.y}H${to.x}`} strokeWidth="0.8" />
      {[from, to].map(({ x, y }, i) => (
        <path key={i} d={`M${x} ${y - 6}v12`} strokeWidth="0.5" />
      ))}
      {[
        { x: from.x - 6, name: '1' },
        { x: to.x + 6, name: '2' },
      ].map(({ x, name }) => (
        <text
          key={name}
          x={x}
          y={from.y + 1.8}
          style={{ fontSize: 5 }}
          stroke="none"
          textAnchor="middle"
          fontFamily="Barlow, sans-serif"
        >
          {name}
        </text>
      ))}
    </g>
  )
}

function Words({ paper }: { paper: Paper }) {
  const { x, y } = onPaper(paper, { x: 80, y: 100 })
  const lines = [
    `1 to 2 is ${CHECK_BAR.length} mm (5.512 in) when printed at 100 %: hold the tape to it, and type what it reads.`,
    'Keep all four marks clear of the edge of the photo: lenses bend there.',
    'Only what lies in the plane of this sheet is measured.',
  ]
  return (
    <g fontFamily="Barlow, sans-serif" style={{ fontSize: 3.4 }} textAnchor="middle" fill="#000">
      <text x={x} y={y - 40} style={{ fontSize: 7 }}>
        Plumb Mark
      </text>
      {lines.map((line, i) => (
        <text key={line} x={x} y={y + 14 + i * 6}>
          {line}
        </text>
      ))}
    </g>
  )
}
