'use client'

import { isMeasured, MEASURED_ROLES, SWITCH_ROLES, type Input, type Role } from '@/core/rules/input'
import Typography from '@mui/material/Typography'
import { ROLE_NAMES, roleOf } from '@/core/duty/role'
import { Choice } from '@/ui/Choice'
import { FormRow } from '@/ui/FormRow'
import { TextButton } from '@/ui/TextButton'
import { useDocument, useWorkingCopy } from '@/ui/workingCopy/context'

const rolesOf = (input: Input): readonly Role[] => (isMeasured(input) ? MEASURED_ROLES : SWITCH_ROLES)

/** What each input stands for: assumed from duty, use and name until somebody says it. */
export function InputRoles() {
  const document = useDocument()
  const edit = useWorkingCopy((state) => state.edit)
  const inputs = document.response.inputs.filter((input) => !(isMeasured(input) && input.combines))
  if (inputs.length === 0) return null
  const put = (input: Input, role: Role) =>
    edit(`${input.name}: what it stands for`, ({ response }) => {
      const held = response.inputs.find(({ id }) => id === input.id)
      if (held) Object.assign(held, { role })
    })
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2 }}>
        What each input stands for
      </Typography>
      {inputs.map((input) => {
        const role = roleOf(input, document)
        return (
          <FormRow
            key={input.id}
            label={input.name}
            hint={
              input.role ? undefined : (
                <>
                  Assumed.{' '}
                  <TextButton label={`${input.name}: that is right`} onClick={() => put(input, role)}>
                    That is right
                  </TextButton>
                </>
              )
            }
          >
            <Choice
              label={`${input.name} stands for`}
              value={role}
              options={rolesOf(input).map((candidate) => [candidate, ROLE_NAMES[candidate]] as const)}
              onChange={(next) => put(input, next)}
            />
          </FormRow>
        )
      })}
    </>
  )
}
