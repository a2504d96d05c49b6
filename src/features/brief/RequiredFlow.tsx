import Typography from '@mui/material/Typography'
import { requirementOf, type Requirement } from '@/core/brief/requirement'
import type { Brief } from '@/core/brief/schema'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { QuantityField } from '@/ui/QuantityField'
import { TextLine } from '@/ui/TextLine'
import { useWorkingCopy } from '@/ui/workingCopy/context'

const WHEN: readonly (readonly [Requirement['kept'], string])[] = [
  ['always', 'always'],
  ['occupied', 'while somebody is there'],
  ['mean', 'as a mean over'],
]

type Asked = NonNullable<Brief['requiredFlow']>

/** A flow that must not be undercut: how much, when that counts, why. */
export function RequiredFlow({ brief }: { brief: Brief }) {
  const edit = useWorkingCopy((state) => state.edit)
  const onDone = useWorkingCopy((state) => state.endGesture)
  const { requiredFlow } = brief
  const requirement = requirementOf(brief)
  const change = (label: string, parts: Partial<Asked>, key?: string) =>
    edit(
      label,
      ({ brief: draft }) => void (draft.requiredFlow = { flowLs: 0, why: '', ...draft.requiredFlow, ...parts }),
      key,
    )
  return (
    <FormRow
      label="Flow never to fall below"
      hint={
        requiredFlow ? (
          <TextLine
            label="why this flow"
            placeholder="Why this flow"
            value={requiredFlow.why}
            onDone={onDone}
            onChange={(why) => change('why this flow', { why }, 'flow-why')}
          />
        ) : (
          'Leave it empty when nothing asks for one. What holds always becomes a reason of the floor.'
        )
      }
    >
      <QuantityField
        label="required flow"
        quantity="flow"
        value={requiredFlow?.flowLs ?? null}
        onDone={onDone}
        onClear={() => edit('required flow', (draft) => void (draft.brief.requiredFlow = null))}
        onChange={(flowLs) => change('required flow', { flowLs }, 'required-flow')}
      />
      {requirement && (
        <>
          {' '}
          <Choice
            label="when this flow counts"
            value={requirement.kept}
            options={WHEN}
            onChange={(kept) => change('when it counts', { kept })}
          />
          {requirement.kept === 'mean' && (
            <>
              {' '}
              <QuantityField
                label="mean over"
                quantity="time"
                value={requirement.overS}
                limits={[60, 86400]}
                onDone={onDone}
                onChange={(overS) => change('mean over', { kept: 'mean', overS }, 'mean-over')}
              />
              <Typography variant="body2" component="span" sx={{ color: 'text.secondary' }}>
                {' '}
                a cycle’s pause is part of it
              </Typography>
            </>
          )}
        </>
      )}
    </FormRow>
  )
}
