/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { render } from '@testing-library/react'
import { shape } from './shape.js'

const drawn = (part: React.ReactNode) =>
  render(<svg>{part}</svg>).container.querySelector('svg')!.children[0]!

it.each([
  ['accentWash', 'var(--chakra-colors-accent-wash)'],
  ['danger', 'var(--chakra-colors-danger)'],
  ['none', 'none'],
  ['#2c6fa6', '#2c6fa6'],
  // What every object has is no colour.
  ['toString', 'toString'],
])('%s is painted as %s', (colour, painted) => {
  const rect = drawn(<shape.rect x={1} y={2} width={30} height={40} fill={colour} stroke={colour} />)
  expect(rect).toHaveAttribute('fill', painted)
  expect(rect).toHaveAttribute('stroke', painted)
  expect(rect).toHaveAttribute('width', '30')
})

it('the size, weight and face of letters go as a style, which nothing on the page overrules', () => {
  const text = drawn(
    <shape.text x={0} y={0} fontSize="62px" fontWeight={600} mono>
      50 / 100
    </shape.text>,
  )
  expect(text).toHaveStyle({ fontSize: '62px', fontWeight: 600 })
  expect(text.getAttribute('style')).toContain('var(--chakra-fonts-mono)')
  expect(text).not.toHaveAttribute('font-size')
  expect(text).not.toHaveAttribute('mono')
})
