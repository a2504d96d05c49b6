'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import NextLink from 'next/link'
import { useRouter } from 'next/navigation'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import type { ControllerModel } from '@/core/controller/schema'
import type { UnitPreference } from '@/core/quantity/format'
import { problemLine } from '@/core/words/problems'
import { makePanel } from '@/core/controller/makePanel'
import { AbilitiesForm } from '@/features/controllers/AbilitiesForm'
import { PanelWalk } from '@/features/controllers/PanelWalk'
import { PasteSettings } from '@/features/controllers/PasteSettings'
import { ActionsPreview, type Named } from '@/features/controllers/ActionsPreview'
import type { EditorGoTo } from '@/features/controllers/ModelText'
import { PanelPreview } from '@/features/controllers/PanelPreview'
import { SettingsForm } from '@/features/controllers/SettingsForm'
import { TerminalsForm } from '@/features/controllers/TerminalsForm'
import { readDraft, withValue, type Draft } from '@/features/controllers/modelDraft'
import { keepControllerAction } from '@/server/actions'
import { FormRow } from '@/ui/FormRow'
import { SideHeading, StageLayout } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { TextLine } from '@/ui/TextLine'
import { whyNot } from '@/ui/answer'
import { PreferenceProvider } from '@/ui/preference'

const ModelText = dynamic(() => import('@/features/controllers/ModelText'), {
  ssr: false,
  loading: () => <Typography variant="body2">The text comes in a moment.</Typography>,
})

type Props = {
  /** The model as it was kept, or the copy of an example it starts from. */
  text: string
  isNew: boolean
  installations: readonly Named[]
  preference: UnitPreference
}
type Keeping = { readonly kind: 'none' | 'keeping' | 'kept' } | { readonly kind: 'refused'; readonly lines: string[] }

const draftKey = (text: string): string => `gale-model-${(JSON.parse(text) as { id?: string } | null)?.id ?? ''}`

/** A technician’s own controller model: form and text of the same document, checked as one types, with its panel to play and its actions. */
export function ModelEditor({ text: first, isNew, installations, preference }: Props) {
  const router = useRouter()
  const [text, setText] = useState(first)
  const [keeping, setKeeping] = useState<Keeping>({ kind: 'none' })
  const [goTo, setGoTo] = useState<EditorGoTo | null>(null)
  const draft = useMemo(() => readDraft(text), [text])
  // The form shows the last text that had the shape of a model, the previews the last that held together: a bracket that is being typed must
  // not empty them.
  const [good, setGood] = useState<ControllerModel | null>(draft.isGood ? draft.model : null)
  if (draft.isGood && draft.model !== good) setGood(draft.model)
  const [formed, setFormed] = useState<ControllerModel | null>(draft.model)
  if (draft.model && draft.model !== formed) setFormed(draft.model)
  const shown = useDeferredValue(good)
  const key = draftKey(first)

  useEffect(() => {
    const left = window.localStorage.getItem(key)
    if (left !== null && left !== first) setText(left)
  }, [key, first])

  function change(next: string): void {
    setText(next)
    setKeeping({ kind: 'none' })
    window.localStorage.setItem(key, next)
  }
  const set = (path: readonly (string | number)[], value: unknown) => change(withValue(text, path, value))

  async function keep(): Promise<void> {
    setKeeping({ kind: 'keeping' })
    const result = await keepControllerAction({ text }).catch(() => ({ kind: 'unavailable', why: 'gone' }) as const)
    if (result.kind === 'done') {
      window.localStorage.removeItem(key)
      setKeeping({ kind: 'kept' })
      if (isNew) router.replace(`/controllers/${encodeURIComponent(result.id)}`)
    } else
      setKeeping({
        kind: 'refused',
        lines:
          result.kind === 'invalid'
            ? result.problems.map(problemLine)
            : [`${whyNot(result)} The draft stays in this browser.`],
      })
  }

  return (
    <PreferenceProvider value={preference}>
      <StageLayout
        isPage
        title={isNew ? 'A controller of your own' : (formed?.name ?? 'A controller to mend')}
        aside={
          <>
            <Link component={NextLink} href="/controllers" sx={{ mr: 2 }}>
              All controllers
            </Link>
            <Button variant="contained" size="small" disabled={!draft.isGood} onClick={() => void keep()}>
              Keep it
            </Button>
          </>
        }
        side={
          shown && (
            <>
              <SideHeading>Its panel, to try</SideHeading>
              <PanelPreview model={shown} preference={preference} />
              <SideHeading>What would be pressed</SideHeading>
              <ActionsPreview model={shown} installations={installations} preference={preference} />
            </>
          )
        }
        sideTitle="Preview"
      >
        <DraftStatus
          keeping={keeping}
          draft={draft}
          onGo={(from) => setGoTo((before) => ({ at: from, asked: (before?.asked ?? 0) + 1 }))}
        />
        {formed && <ModelForm model={formed} onChange={set} />}
        <Typography variant="h2" sx={{ mt: 2 }}>
          All of it
        </Typography>
        <Typography variant="body2" sx={{ mb: 1 }}>
          Abilities, slots, panel and steps, as the file format has them; docs/formats/controller-model.md explains
          each.
        </Typography>
        <Box sx={{ border: 1, borderColor: 'divider' }}>
          <ModelText text={text} onChange={change} goTo={goTo} />
        </Box>
      </StageLayout>
    </PreferenceProvider>
  )
}

type StatusProps = { keeping: Keeping; draft: Draft; onGo: (at: number) => void }

/** Whether it was kept, and what is to be mended before it can be. */
const DraftStatus = ({ keeping, draft, onGo }: StatusProps) => (
  <Box role="status" aria-live="polite" sx={{ mb: 1 }}>
    {keeping.kind === 'kept' && <Typography>Kept. It can be chosen under Kit.</Typography>}
    {keeping.kind === 'refused' && keeping.lines.map((line) => <Typography key={line}>{line}</Typography>)}
    {draft.isGood ? (
      keeping.kind === 'none' && (
        <Typography variant="body2">It holds together. The draft is in this browser until it is kept.</Typography>
      )
    ) : (
      <>
        <Typography variant="body2">
          {draft.found.length === 1 ? 'One thing' : `${draft.found.length} things`} to mend before it can be kept:
        </Typography>
        {draft.found.slice(0, 8).map(({ path, wording, from }, index) => (
          <Typography variant="body2" key={`${path}-${index}`}>
            <TextButton onClick={() => onGo(from)}>{path || 'the text'}</TextButton>: {wording}
          </Typography>
        ))}
      </>
    )}
  </Box>
)

type FormProps = {
  model: ControllerModel
  onChange: (path: readonly (string | number)[], value: unknown) => void
}

const ModelForm = ({ model, onChange }: FormProps) => (
  <>
    <FormRow label="Called">
      <TextLine label="name of the controller" value={model.name} onChange={(name) => onChange(['name'], name)} />
    </FormRow>
    <FormRow label="Id" hint="In files and on the command line: small letters, digits and hyphens.">
      <TextLine label="id of the controller" value={model.id} onChange={(id) => onChange(['id'], id)} />
    </FormRow>
    <FormRow label="About">
      <TextLine
        label="about the controller"
        value={model.about}
        maxLength={600}
        onChange={(about) => onChange(['about'], about)}
      />
    </FormRow>
    <Typography variant="h2" sx={{ mt: 2 }}>
      What it reads and drives
    </Typography>
    <TerminalsForm model={model} onChange={onChange} />
    <Typography variant="h2" sx={{ mt: 2 }}>
      Settings
    </Typography>
    <SettingsForm settings={model.settings} onChange={onChange} />
    <PasteSettings settings={model.settings} onAdd={(made) => onChange(['settings'], [...model.settings, ...made])} />
    <Typography variant="h2" sx={{ mt: 2 }}>
      What else it can do
    </Typography>
    <AbilitiesForm abilities={model.abilities ?? {}} onChange={(abilities) => onChange(['abilities'], abilities)} />
    <Typography variant="h2" sx={{ mt: 2 }}>
      Panel
    </Typography>
    <Typography variant="body2">
      {model.panel ? `${model.panel.states.length} states. ` : 'Not described yet. '}
      <TextButton onClick={() => onChange(['panel'], makePanel(model))}>
        {model.panel ? 'Begin it anew from the settings' : 'Begin it from the settings'}
      </TextButton>
      {
        ': a line each, walked with two keys and opened with a third. Then walk it as your finger does, and mend what the real one does otherwise.'
      }
    </Typography>
    <PanelWalk model={model} onChange={(panel) => onChange(['panel'], panel)} />
  </>
)
