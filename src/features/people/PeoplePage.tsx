'use client'

import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { AuditList, type ShownDeed } from '@/features/people/AuditList'
import { InviteForm, type RoleChoice } from '@/features/people/InviteForm'
import { TextButton } from '@/ui/TextButton'
import { NO_ANSWER, whyNot, type Answer } from '@/ui/answer'
import { Moment } from '@/ui/Moment'
import { SubmitButton } from '@/ui/SubmitButton'

type Act<T> = (input: T) => Promise<Answer>

type Props = {
  name: string
  meId: string
  roles: readonly RoleChoice[]
  members: readonly {
    readonly personId: string
    readonly name: string
    readonly email: string
    readonly role: string
    readonly since: string
  }[]
  invites: readonly {
    readonly id: string
    readonly role: string
    readonly email: string
    readonly madeBy: string
    readonly expiresAt: string
  }[]
  /** What only owners see; null for the others. */
  owner: { readonly holds: string; readonly audit: readonly ShownDeed[]; readonly older: number | null } | null
  onInvite: (input: unknown) => Promise<Answer & { link?: string; qrSvg?: string }>
  onWithdraw: Act<unknown>
  onRole: Act<unknown>
  onRename: Act<unknown>
  onLeave: () => Promise<Answer>
}

/** Who belongs to the workspace and as what, who was invited, and, for owners, who did what. */
export function PeoplePage(props: Props) {
  const { name, meId, roles, members, invites, owner, onInvite, onWithdraw, onRole, onRename, onLeave } = props
  const router = useRouter()
  const [message, setMessage] = useState<string | null>(null)
  async function act(work: () => Promise<Answer>): Promise<boolean> {
    const answer = await work().catch(() => NO_ANSWER)
    setMessage(answer.kind === 'done' ? null : whyNot(answer))
    if (answer.kind === 'done') router.refresh()
    return answer.kind === 'done'
  }
  async function leave(): Promise<void> {
    if (await act(onLeave)) window.location.assign('/yard')
  }
  return (
    <Box
      component="main"
      sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
    >
      <Box sx={{ maxWidth: 860 }}>
        <Typography variant="h1">People of {name}</Typography>
        {message !== null && (
          <Alert severity="error" variant="outlined" sx={{ my: 1 }}>
            {message}
          </Alert>
        )}
        <Box component="ul" aria-label="Members" sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {members.map((member) => (
            <MemberRow
              key={member.personId}
              member={member}
              isMe={member.personId === meId}
              roles={owner && roles}
              onRole={(role) => void act(() => onRole({ personId: member.personId, role }))}
            />
          ))}
        </Box>
        <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
          {roles.map(({ id, says }) => `${id}: ${says}`).join(' · ')}. What somebody sealed or wrote stays under their
          name, whatever becomes of them here.
        </Typography>
        <Leaving onLeave={() => void leave()} />
        {owner && (
          <>
            <InviteForm roles={roles} onInvite={onInvite} />
            <Invites invites={invites} onWithdraw={(id) => void act(() => onWithdraw({ id }))} />
            <RenameForm name={name} onRename={(next) => act(() => onRename({ name: next }))} />
            <AuditList {...owner} />
          </>
        )}
      </Box>
    </Box>
  )
}

type MemberProps = {
  member: Props['members'][number]
  isMe: boolean
  /** What they may be made; null for those who may not say so. */
  roles: readonly RoleChoice[] | null
  onRole: (role: string | null) => void
}

const MemberRow = ({ member: { name, email, role, since }, isMe, roles, onRole }: MemberProps) => (
  <Box
    component="li"
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: 1.5,
      borderBottom: 1,
      borderColor: 'divider',
      py: 1,
    }}
  >
    <Box sx={{ flex: 1, minWidth: 200 }}>
      <Typography sx={{ fontWeight: 700 }}>
        {name}
        {isMe && ' (you)'}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', overflowWrap: 'anywhere' }}>
        {email}, since <Moment at={since} as="day" />
      </Typography>
    </Box>
    {roles ? (
      <TextField
        select
        size="small"
        label={`Role of ${name}`}
        value={role}
        onChange={(event) => onRole(event.target.value)}
        sx={{ minWidth: 150 }}
      >
        {roles.map(({ id }) => (
          <MenuItem key={id} value={id}>
            {id}
          </MenuItem>
        ))}
      </TextField>
    ) : (
      <Typography>{role}</Typography>
    )}
    {roles && !isMe && (
      <TextButton label={`Remove ${name}`} onClick={() => onRole(null)}>
        Remove
      </TextButton>
    )}
  </Box>
)

function Leaving({ onLeave }: { onLeave: () => void }) {
  const [isLeaving, setLeaving] = useState(false)
  return (
    <Typography component="div" sx={{ mt: 1 }}>
      {isLeaving ? (
        <>
          You will not see this yard any more; what you did here stays.{' '}
          <TextButton label="Leave this yard" onClick={onLeave}>
            Leave it
          </TextButton>{' '}
          <TextButton label="Stay in this yard" onClick={() => setLeaving(false)}>
            Stay
          </TextButton>
        </>
      ) : (
        <TextButton label="Leave this yard…" onClick={() => setLeaving(true)}>
          Leave this yard…
        </TextButton>
      )}
    </Typography>
  )
}

const Invites = ({ invites, onWithdraw }: Pick<Props, 'invites'> & { onWithdraw: (id: string) => void }) => (
  <>
    {invites.length > 0 && <Typography variant="h2">Invited, not here yet</Typography>}
    {invites.map(({ id, role, email, madeBy, expiresAt }) => (
      <Box key={id} sx={{ display: 'flex', gap: 2, borderBottom: 1, borderColor: 'divider', py: 0.75 }}>
        <Typography variant="body2" sx={{ flex: 1 }}>
          {email || 'by a link'} as {role}, by {madeBy}, good until <Moment at={expiresAt} as="day" />
        </Typography>
        <TextButton label={`Take back the invitation of ${email || 'a link'}`} onClick={() => onWithdraw(id)}>
          Take back
        </TextButton>
      </Box>
    ))}
  </>
)

function RenameForm({ name, onRename }: { name: string; onRename: (name: string) => Promise<boolean> }) {
  function onSubmit(event: FormEvent<HTMLFormElement>): void {
    event.preventDefault()
    const { name: next = '' } = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>
    void onRename(next)
  }
  return (
    <Box component="form" onSubmit={onSubmit} sx={{ display: 'flex', gap: 1, mt: 3, maxWidth: 480 }}>
      <TextField
        key={name}
        name="name"
        label="Name of this yard"
        defaultValue={name}
        size="small"
        required
        fullWidth
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <SubmitButton variant="outlined">Rename</SubmitButton>
    </Box>
  )
}
