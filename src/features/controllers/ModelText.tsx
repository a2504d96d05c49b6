'use client'

import { json } from '@codemirror/lang-json'
import { linter, lintGutter, type Diagnostic } from '@codemirror/lint'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import { tags } from '@lezer/highlight'
import { useColorScheme } from '@mui/material/styles'
import CodeMirror, { EditorView } from '@uiw/react-codemirror'
import { useMemo } from 'react'
import { readDraft } from '@/features/controllers/modelDraft'
import { MONO } from '@/ui/theme'

const look = EditorView.theme({
  '&': { fontSize: '13px', backgroundColor: 'transparent' },
  '.cm-content, .cm-gutters': { fontFamily: MONO },
  '.cm-gutters': { backgroundColor: 'transparent', borderRight: '1px solid var(--mui-palette-divider)' },
})
// Colours of our own: red stands for danger everywhere else, and must not stand for text here.
const words = syntaxHighlighting(
  HighlightStyle.define([
    { tag: tags.propertyName, color: 'var(--mui-palette-cause-speed)' },
    { tag: tags.string, color: 'var(--mui-palette-text-primary)' },
    { tag: [tags.number, tags.bool, tags.null], color: 'var(--mui-palette-cause-time)' },
  ]),
)
const named = EditorView.contentAttributes.of({ 'aria-label': 'the model as text', tabindex: '0' })

type Props = { text: string; onChange: (text: string) => void; goTo: EditorGoTo | null }
export type EditorGoTo = { readonly at: number; readonly asked: number }

/** The whole model as text, with every problem marked where it stands. */
export default function ModelText({ text, onChange, goTo }: Props) {
  const { mode, systemMode } = useColorScheme()
  const extensions = useMemo(
    () => [
      json(),
      look,
      words,
      named,
      EditorView.lineWrapping,
      lintGutter(),
      linter((view): Diagnostic[] =>
        readDraft(view.state.doc.toString()).found.map(({ from, to, wording }) => ({
          from,
          to,
          severity: 'error',
          message: wording,
        })),
      ),
    ],
    [],
  )
  return (
    <CodeMirror
      value={text}
      onChange={onChange}
      extensions={extensions}
      theme={(mode === 'system' ? systemMode : mode) === 'dark' ? 'dark' : 'light'}
      basicSetup={{ syntaxHighlighting: false }}
      height="60vh"
      key={goTo?.asked ?? 0}
      onCreateEditor={(view) => {
        if (!goTo) return
        view.dispatch({
          selection: { anchor: goTo.at },
          effects: EditorView.scrollIntoView(goTo.at, { y: 'center' }),
        })
        view.focus()
      }}
    />
  )
}
