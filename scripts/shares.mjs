// npm run shares: how much of the code is tests, and how many style properties stand on the components of the web, looks and layout apart.
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import ts from 'typescript'
import { at } from './shared.mjs'

const tracked = execFileSync('git', ['ls-files', '*.ts', '*.tsx', '*.mjs'], { cwd: at(), encoding: 'utf8' })
  .trim()
  .split('\n')
const read = (file) => readFileSync(at(file), 'utf8')
const lines = (files) => files.reduce((sum, file) => sum + read(file).split('\n').length - 1, 0)
const isTest = (file) => /\.spec\.tsx?$/.test(file) || file.startsWith('e2e/')

const [all, tests] = [lines(tracked), lines(tracked.filter(isTest))]
console.log(`${tests} of ${all} lines are tests: ${((100 * tests) / all).toFixed(1)} %`)

/** What a thing looks like; where it stands beside others is layout. */
const LOOKS =
  /^(font|color$|bg$|background|border|lineHeight|letterSpacing|opacity$|cursor$|(box)?[sS]hadow$|text(Transform|Decoration)$|_hover$|_focusVisible$|p[xytblrse]?$|listStyleType$|layerStyle$|textStyle$)/
const LAYOUT =
  /^(gap|rowGap|columnGap|m[xytblrse]?|align(Items|Self)?|justify(Content|Self)?|(min|max)?[wWhH]|width|height|boxSize|display|flex(Shrink|Grow|Wrap|Direction)?|wrap|direction|basis|grow|shrink|position|top|left|right|bottom|inset|overflow[XY]?|zIndex|order|gridColumn|(gridT|t)emplateColumns|columns|whiteSpace|textAlign)$/

const count = { looks: 0, layout: 0 }
for (const file of tracked) {
  if (!file.startsWith('apps/web/src/') || !file.endsWith('.tsx') || isTest(file)) continue
  visit(ts.createSourceFile(file, read(file), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX))
}
console.log(`${count.looks} properties of looks and ${count.layout} of layout stand on components of the web`)

function visit(node) {
  if (ts.isJsxOpeningElement(node) || ts.isJsxSelfClosingElement(node)) {
    const element = node.tagName.getText()
    // Elements of HTML, and the shapes of drawings, have attributes of their own.
    if (/^[A-Z]|^chakra\./.test(element))
      for (const { name } of node.attributes.properties) {
        const property = name?.getText() ?? ''
        if (LOOKS.test(property)) count.looks++
        else if (LAYOUT.test(property)) count.layout++
      }
  }
  ts.forEachChild(node, visit)
}
