import Box from '@mui/material/Box'
import Link from '@mui/material/Link'
import Typography from '@mui/material/Typography'

type Letter = { readonly to: string; readonly subject: string; readonly text: string; readonly at: string }

/** The letters of a server that has no mail, the newest first, with their links to press. */
export const LettersPage = ({ letters }: { letters: readonly Letter[] }) => (
  <Box component="main" sx={{ minHeight: '100vh', bgcolor: 'ground.sheet', px: 2.5, py: 2 }}>
    <Typography variant="h1">Mail stand-in</Typography>
    <Typography sx={{ color: 'text.secondary', maxWidth: 640 }}>
      This server has no mail: what it would send lies in its data folder and is shown here, as long as only this
      machine can reach it. Name a mail server in GALE_SMTP_URL and the letters go out.
    </Typography>
    <Typography sx={{ my: 1 }}>
      <Link href="/letters">Look again</Link> · <Link href="/sign-in">Sign in</Link>
    </Typography>
    {letters.length === 0 && <Typography>No letter yet.</Typography>}
    {letters.map(({ to, subject, text, at }) => (
      <Box
        component="article"
        key={`${at}${to}`}
        sx={{ borderTop: 1, borderColor: 'divider', py: 1.5, maxWidth: 640, overflowWrap: 'anywhere' }}
      >
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          To {to}, <time dateTime={at}>{at.slice(0, 16).replace('T', ' ')} UTC</time>
        </Typography>
        <Typography sx={{ fontWeight: 700 }}>{subject}</Typography>
        {text.split(/(https?:\/\/\S+)/).map((part, index) =>
          /^https?:/.test(part) ? (
            <Link key={index} href={part} sx={{ fontSize: '0.875rem' }}>
              {part}
            </Link>
          ) : (
            <Typography key={index} component="span" variant="body2" sx={{ whiteSpace: 'pre-line' }}>
              {part}
            </Typography>
          ),
        )}
      </Box>
    ))}
  </Box>
)
