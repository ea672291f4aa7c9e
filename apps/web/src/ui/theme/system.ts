import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react'
import {
  animationStyles,
  breakpoints,
  buttonRecipe,
  checkboxSlotRecipe,
  checkmarkRecipe,
  globalCss,
  headingRecipe,
  inputRecipe,
  keyframes,
  layerStyles,
  progressSlotRecipe,
  semanticTokens,
  spinnerRecipe,
  tableSlotRecipe,
  textStyles,
  textareaRecipe,
  tokens,
} from '@chakra-ui/react/theme'
import { COLOURS } from './colours.js'

/** Of the library's theme the parts that are used: with all its recipes it would be a third of what is loaded first. */
const library = defineConfig({
  cssVarsPrefix: 'chakra',
  cssVarsRoot: ':where(html, .chakra-theme)',
  globalCss,
  theme: {
    breakpoints,
    keyframes,
    tokens,
    semanticTokens,
    textStyles,
    layerStyles,
    animationStyles,
    recipes: {
      button: buttonRecipe,
      checkmark: checkmarkRecipe,
      heading: headingRecipe,
      input: inputRecipe,
      spinner: spinnerRecipe,
      textarea: textareaRecipe,
    },
    slotRecipes: {
      checkbox: checkboxSlotRecipe,
      progress: progressSlotRecipe,
      table: tableSlotRecipe,
    },
  },
})

const both = ([light, dark]: readonly [string, string]) => ({ value: { _light: light, _dark: dark } })

const config = defineConfig({
  preflight: true,
  globalCss: {
    'html, body': { bg: 'paper', color: 'text', fontFamily: 'body', fontSize: '16px', height: '100%' },
    '#root': { minHeight: '100%' },
    '*:focus-visible': { outline: '3px solid', outlineColor: 'accent', outlineOffset: '2px' },
    'main a:not([class])': { color: 'accent', textDecoration: 'underline', textUnderlineOffset: '3px' },
    'nav, header': { _print: { display: 'none' } },
    // Where something is printed by itself, the rest of the page is not.
    'body:has([data-print]) *': { _print: { visibility: 'hidden' } },
    'body:has([data-print]) [data-print], body:has([data-print]) [data-print] *': {
      _print: { visibility: 'visible' },
    },
    'input, progress': { accentColor: 'accent' },
    '*': { _motionReduce: { animation: 'none', transition: 'none' } },
  },
  theme: {
    tokens: {
      fonts: {
        body: { value: "'Barlow', system-ui, sans-serif" },
        heading: { value: "'Barlow Condensed', 'Barlow', system-ui, sans-serif" },
        mono: { value: "'Spline Sans Mono', ui-monospace, monospace" },
      },
    },
    layerStyles: {
      /** Across the whole page, above what it is about. */
      notice: { value: { bg: 'unprovenWash', px: '18px', py: '8px' } },
      /** A view that stands alone, in the middle. */
      page: { value: { mx: 'auto', px: { base: '16px', md: '24px' }, py: '24px' } },
      card: {
        value: { bg: 'panel', border: '1px solid', borderColor: 'hair', borderRadius: '4px', p: '14px' },
      },
      ruleAbove: { value: { borderTop: '1px solid', borderColor: 'hair' } },
      ruleBelow: { value: { borderBottom: '1px solid', borderColor: 'hair' } },
    },
    semanticTokens: {
      colors: Object.fromEntries(Object.entries(COLOURS).map(([name, pair]) => [name, both(pair)])),
    },
    slotRecipes: {
      // On whatever it lies; the library's is white.
      table: {
        slots: tableSlotRecipe.slots ?? [],
        variants: {
          variant: {
            line: {
              row: { bg: 'transparent' },
              columnHeader: { borderColor: 'hair', color: 'faint' },
              cell: { borderColor: 'hair' },
            },
          },
        },
      },
    },
    recipes: {
      button: {
        base: {
          minH: '44px',
          borderRadius: '4px',
          // At this size a heavier weight runs the dot of an i into its stem.
          fontWeight: 500,
          fontFamily: 'body',
          fontSize: '15px',
          px: '16px',
          _disabled: { opacity: 0.5 },
        },
        variants: {
          // A size of the library brings a smaller letter with it.
          size: { md: { textStyle: 'none', fontSize: '15px' }, sm: { textStyle: 'none', fontSize: '15px' } },
          variant: {
            solid: {
              // In a glove, on a phone or a tablet.
              minH: { base: '48px', lg: '44px' },
              bg: 'accent',
              color: 'panel',
              _hover: { bg: 'accent', opacity: 0.9 },
              _expanded: { bg: 'accent' },
            },
            outline: {
              bg: 'transparent',
              color: 'text',
              border: '1px solid',
              borderColor: 'faint',
              _hover: { bg: 'sunk' },
            },
            plain: { bg: 'transparent', color: 'accent', px: '10px', _hover: { bg: 'accentWash' } },
          },
        },
      },
      input: {
        base: {
          minH: '44px',
          bg: 'panel',
          border: '1px solid',
          borderColor: 'faint',
          borderRadius: '4px',
          color: 'text',
          px: '12px',
          fontSize: '16px',
          _invalid: { borderColor: 'danger', borderWidth: '2px' },
          _placeholder: { color: 'faint' },
        },
        variants: {
          variant: { outline: { bg: 'panel', borderColor: 'faint' } },
          size: { md: { height: '44px' } },
        },
      },
      textarea: {
        base: {
          bg: 'panel',
          border: '1px solid',
          borderColor: 'faint',
          borderRadius: '4px',
          p: '10px 12px',
          fontSize: '16px',
          minH: '76px',
        },
        variants: { variant: { outline: { bg: 'panel', borderColor: 'faint' } } },
      },
    },
  },
})

export const system = createSystem(defaultBaseConfig, library, config)
