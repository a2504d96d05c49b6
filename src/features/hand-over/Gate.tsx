import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { gate, type GatePart } from '@/core/record/gate'
import { openText, type OpenItem } from '@/core/record/stillOpen'
import type { Installation } from '@/core/installation/installation'
import { openPlace, STAGE_OF, stagePath } from '@/ui/stages'

const NAMES: Readonly<Record<GatePart, string>> = {
  brief: 'Brief',
  kit: 'Kit',
  calibrate: 'Calibrate',
  respond: 'Respond',
  'dial-in': 'Dial in',
  prove: 'Prove',
  people: 'People',
}

const MOST_NAMED = 2

type Props = { installationId: string; document: Installation; open: readonly OpenItem[] }

/** The whole job before it is sealed: a row a part, with what is open in it and the way there. */
export const Gate = ({ installationId, document, open }: Props) => (
  <Box component="section" aria-label="The whole job, before it is sealed" sx={{ mb: 2 }}>
    {gate(document, open).map(({ part, open: items, accepted }) => (
      <Box
        key={part}
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '24px 84px 1fr', md: '28px 110px 1fr 120px' },
          columnGap: 1,
          alignItems: 'start',
          borderBottom: 1,
          borderColor: 'divider',
          py: 0.75,
        }}
      >
        <Mark isOpen={items.length > 0} isGrave={items.some(({ kind }) => kind === 'danger')} />
        <Typography sx={{ fontWeight: 600 }}>{NAMES[part]}</Typography>
        <Typography variant="body2" component="div">
          {items.slice(0, MOST_NAMED).map((item) => (
            <Box
              key={`${item.kind}-${item.key}`}
              sx={{
                display: 'flex',
                alignItems: 'center',
                minHeight: { xs: 44, md: 26 },
                '& a': { py: { xs: 1.5, md: 0.25 } },
              }}
            >
              {part === 'people' ? (
                item.title
              ) : (
                <Link href={`${stagePath(installationId, STAGE_OF[part])}${openPlace(item)}`}>{item.title}</Link>
              )}
            </Box>
          ))}
          {items.length > MOST_NAMED && `and ${items.length - MOST_NAMED} more`}
          {accepted.map((line) => (
            <Box key={line} sx={{ color: 'text.secondary' }}>
              {line}
            </Box>
          ))}
        </Typography>
        <Typography
          variant="body2"
          sx={{ textAlign: 'right', color: 'text.secondary', gridColumn: { xs: '3', md: 'auto' } }}
        >
          {items.length > 0 ? openText(items) : accepted.length > 0 ? `${accepted.length} accepted` : 'nothing open'}
        </Typography>
      </Box>
    ))}
  </Box>
)

/** Nothing open, something, or a danger: by its shape too. */
const Mark = ({ isOpen, isGrave }: { isOpen: boolean; isGrave: boolean }) => (
  <Box
    aria-hidden="true"
    sx={{
      width: 20,
      height: 20,
      borderRadius: isGrave ? '4px' : '50%',
      border: '2px solid',
      borderColor: isGrave ? 'error.main' : isOpen ? 'text.secondary' : 'cause.speed',
      bgcolor: isOpen ? 'transparent' : 'cause.speed',
      color: isGrave ? 'error.main' : 'ground.sheet',
      fontSize: '0.75rem',
      fontWeight: 700,
      display: 'grid',
      placeItems: 'center',
    }}
  >
    {isGrave ? '!' : isOpen ? '' : '✓'}
  </Box>
)
