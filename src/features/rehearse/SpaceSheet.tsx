'use client'

import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { plainCopy } from '@/core/json/plainCopy'
import { formatQuantity, preferredUnit } from '@/core/quantity/format'
import { SERVES_FIELDS } from '@/core/space/fields'
import type { Space } from '@/core/space/schema'
import { checkSpaceHere } from '@/core/space/checkSpace'
import { Notice } from '@/ui/Notice'
import { QuantityField } from '@/ui/QuantityField'
import { RuledField } from '@/ui/RuledField'
import { SideHeading } from '@/ui/StageLayout'
import { TextButton } from '@/ui/TextButton'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'
import { usePreference, useProblemWords } from '@/ui/preference'

type Props = { space: Space }

/** The figures of the space, to be changed: those that matter most first, the rest folded. */
export function SpaceSheet({ space }: Props) {
  const preference = usePreference()
  const { line } = useProblemWords()
  const [isOpen, setOpen] = useState(false)
  const document = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const fields = SERVES_FIELDS[space.serves.kind]
  const shown = isOpen ? fields : fields.slice(0, 4)
  const problems = checkSpaceHere(space, document)
  const put = (label: string, change: (draft: Space) => void, key?: string) =>
    edit(
      label,
      (draft) => {
        draft.space ??= plainCopy(space)
        change(draft.space)
      },
      key,
    )
  return (
    <>
      <SideHeading>The space</SideHeading>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {space.learnt
          ? `Learnt from ${space.learnt.from}, off by ${formatQuantity(space.learnt.offBy, 'temperatureDifference', preference)}.`
          : document.space
            ? 'As it was put here.'
            : 'Assumed from the brief: common practice, to be changed or learnt.'}
      </Typography>
      {problems.map((problem) => (
        <Notice key={problem.path} title={line(problem)} />
      ))}
      {shown.map(({ key, name, quantity, unit }) => {
        const value = Number((space.serves as unknown as Record<string, unknown>)[key])
        return (
          <Row key={key} label={name} unit={unit ?? preferredUnit(quantity, preference).symbol}>
            <QuantityField
              label={unit === undefined ? name : `${name}, ${unit}`}
              quantity={quantity}
              {...(quantity !== 'temperature' && { limits: [0, 1e8] as const })}
              showUnit={false}
              isExact
              value={value}
              onChange={(next) =>
                put(
                  `${name}`,
                  (draft) => void ((draft.serves as unknown as Record<string, number>)[key] = next),
                  `space.${key}`,
                )
              }
            />
          </Row>
        )
      })}
      {isOpen &&
        space.probes.map((probe, index) => (
          <Row
            key={probe.input}
            label={`${document.response.inputs.find(({ id }) => id === probe.input)?.name ?? probe.input}: lag`}
            unit="s"
          >
            <QuantityField
              label={`lag of ${probe.input}, s`}
              quantity="count"
              limits={[0, 36000]}
              showUnit={false}
              value={probe.lagS}
              onChange={(lagS) =>
                put('Lag of a probe', (draft) => void (draft.probes[index]!.lagS = lagS), `space.lag.${index}`)
              }
            />
          </Row>
        ))}
      {isOpen && (
        <Row label="not louder at night than" unit="dB(A)">
          <QuantityField
            label="not louder at night than, dB(A)"
            quantity="sound"
            showUnit={false}
            value={space.nightDb}
            limits={[10, 120]}
            onChange={(nightDb) => put('Sound at night', (draft) => void (draft.nightDb = nightDb), 'space.nightDb')}
            onClear={() => put('Sound at night', (draft) => void (draft.nightDb = null), 'space.nightDb')}
          />
        </Row>
      )}
      <TextButton isOpen={isOpen} onClick={() => setOpen(!isOpen)}>
        {isOpen ? 'Fewer figures' : `All ${fields.length} figures, probes, sound at night`}
      </TextButton>
      {document.space && (
        <>
          {' · '}
          <TextButton onClick={() => edit('The space as assumed', (draft) => void delete draft.space)}>
            As assumed again
          </TextButton>
        </>
      )}
    </>
  )
}

const Row = ({ label, unit, children }: { label: string; unit: string; children: React.ReactNode }) => (
  <RuledField label={label}>
    {children}
    <Typography variant="body2" sx={{ fontSize: 12, width: 62, color: 'text.secondary' }}>
      {unit}
    </Typography>
  </RuledField>
)
