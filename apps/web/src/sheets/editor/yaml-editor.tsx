import { autocompletion } from '@codemirror/autocomplete'
import { yaml } from '@codemirror/lang-yaml'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import { lintGutter, setDiagnostics } from '@codemirror/lint'
import { Annotation, EditorState } from '@codemirror/state'
import { EditorView, keymap } from '@codemirror/view'
import { tags } from '@lezer/highlight'
import { Box } from '@chakra-ui/react'
import { basicSetup } from 'codemirror'
import { useEffect, useRef } from 'react'
import type { SheetFault } from '@plumb-mark/contract'
import { completeSheet } from './completion.js'
import { MONO, ink } from '../../ui/theme/colours.js'

/** In the colours of the application, which turn with light and dark. */
const COLOURS = HighlightStyle.define([
  {
    tag: [tags.propertyName, tags.definition(tags.propertyName), tags.keyword],
    color: ink('accent'),
  },
  { tag: [tags.string, tags.content, tags.literal], color: ink('text') },
  { tag: [tags.comment, tags.meta], color: ink('faint'), fontStyle: 'italic' },
  {
    tag: [tags.separator, tags.punctuation, tags.squareBracket, tags.brace],
    color: ink('faint'),
  },
])

/** Marks what the form wrote or where it went: the form knows that already. */
const FromOutside = Annotation.define<boolean>()

interface Props {
  text: string
  /** What keeps the text from being read, and the fields that reading would pass over. */
  faults: readonly SheetFault[]
  /** Line that is to be shown, from 1; a new object each time it is asked for. */
  goTo: { line: number } | undefined
  onChange: (text: string) => void
  onLine: (line: number) => void
  onSave: () => void
}

/** The file itself: YAML with completion, each fault at its line. */
export function YamlEditor({ text, faults, goTo, onChange, onLine, onSave }: Props) {
  const host = useRef<HTMLDivElement>(null)
  const view = useRef<EditorView>(undefined)
  const said = useRef({ onChange, onLine, onSave })
  useEffect(() => void (said.current = { onChange, onLine, onSave }), [onChange, onLine, onSave])
  useEffect(() => {
    const editor = new EditorView({
      parent: host.current!,
      state: EditorState.create({
        doc: text,
        extensions: [
          keymap.of([{ key: 'Mod-s', preventDefault: true, run: () => (said.current.onSave(), true) }]),
          basicSetup,
          yaml(),
          syntaxHighlighting(COLOURS),
          lintGutter(),
          autocompletion({ override: [completeSheet] }),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': 'Sheet as YAML' }),
          EditorView.updateListener.of(({ docChanged, selectionSet, state, transactions }) => {
            if (transactions.some((one) => one.annotation(FromOutside))) return
            if (docChanged) said.current.onChange(state.doc.toString())
            if (docChanged || selectionSet)
              said.current.onLine(state.doc.lineAt(state.selection.main.head).number)
          }),
        ],
      }),
    })
    // The scroller can be reached by keyboard even where the text itself is not being edited.
    editor.scrollDOM.tabIndex = 0
    view.current = editor
    return () => editor.destroy()
    // The editor keeps its own text; what comes from outside is written into it below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
  useEffect(() => {
    const editor = view.current
    if (editor && editor.state.doc.toString() !== text)
      editor.dispatch({
        changes: smallest(editor.state.doc.toString(), text),
        annotations: FromOutside.of(true),
      })
  }, [text])
  useEffect(() => {
    const editor = view.current
    if (!editor) return
    const { doc } = editor.state
    const marks = faults.map(({ line: at, message }) => {
      const line = at === undefined ? undefined : doc.line(Math.min(doc.lines, Math.max(1, at)))
      return { from: line?.from ?? 0, to: line?.to ?? 0, severity: 'error' as const, message }
    })
    editor.dispatch(
      setDiagnostics(
        editor.state,
        marks.sort((a, b) => a.from - b.from),
      ),
    )
  }, [faults, text])
  useEffect(() => {
    const editor = view.current
    if (!editor || !goTo) return
    const { from } = editor.state.doc.line(Math.min(editor.state.doc.lines, goTo.line))
    editor.dispatch({
      selection: { anchor: from },
      annotations: FromOutside.of(true),
      effects: EditorView.scrollIntoView(from, { y: 'start', yMargin: 40 }),
    })
  }, [goTo])
  return (
    <Box
      ref={host}
      h="100%"
      overflow="auto"
      css={{
        '& .cm-editor': {
          height: '100%',
          fontSize: '13.5px',
          background: ink('panel'),
          color: ink('text'),
        },
        '& .cm-scroller': { fontFamily: MONO },
        '& .cm-content': { caretColor: ink('text') },
        '& .cm-gutters': {
          background: ink('sunk'),
          color: ink('faint'),
          border: 'none',
        },
        '& .cm-activeLine, & .cm-activeLineGutter': { background: ink('accentWash') },
        '& .cm-tooltip': {
          background: ink('panel'),
          color: ink('text'),
          border: `1px solid ${ink('faint')}`,
        },
        '& .cm-tooltip-autocomplete ul li[aria-selected]': {
          background: ink('accent'),
          color: ink('panel'),
        },
        '& .cm-cursor': { borderLeftColor: ink('text') },
        '& .cm-selectionBackground': { background: `${ink('accentWash')} !important` },
      }}
    />
  )
}

/** The one stretch in which two texts differ: the cursor and the scroll stay where they are. */
function smallest(before: string, after: string): { from: number; to: number; insert: string } {
  let start = 0
  while (start < Math.min(before.length, after.length) && before[start] === after[start]) start++
  let end = 0
  while (
    end < Math.min(before.length, after.length) - start &&
    before[before.length - 1 - end] === after[after.length - 1 - end]
  )
    end++
  return { from: start, to: before.length - end, insert: after.slice(start, after.length - end) }
}
