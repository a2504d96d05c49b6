import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { DUTIES, DUTY_EXAMPLES, DUTY_NAMES } from '@/core/brief/duty'
import { DUTY_PLANS } from '@/core/duty/table'
import { STAGES } from '@/ui/stages'

const MOST_ASKED = 3

/** A yard with nothing in it: the ways in, and what the eight stages are for. */
export const FirstSteps = ({ mayWork }: { mayWork: boolean }) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1.4fr 1fr' }, columnGap: 5, rowGap: 3, mt: 2 }}>
    <section aria-label="Ways to begin">
      <Typography>
        Nothing here yet. {mayWork ? 'There are three ways to begin:' : 'Whoever works here begins; you will see it.'}
      </Typography>
      {mayWork && (
        <>
          <Typography variant="h2" sx={{ mt: 2 }}>
            1. By what the fan is there for
          </Typography>
          <Typography variant="body2" sx={{ color: 'text.secondary', mb: 0.5 }}>
            The duty brings its questions, a first response and its cautions; everything can be changed.
          </Typography>
          {DUTIES.map((duty) => (
            <Box key={duty} sx={{ borderBottom: '1px dotted', borderColor: 'divider', py: 0.75 }}>
              <Link href={`/yard?new=${duty}`}>{DUTY_NAMES[duty]}</Link>{' '}
              <Typography component="span">{DUTY_EXAMPLES[duty]}</Typography>
              <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                Asks:{' '}
                {DUTY_PLANS[duty].questions
                  .slice(0, MOST_ASKED)
                  .map(({ ask }) => ask)
                  .join(' · ')}
              </Typography>
            </Box>
          ))}
          <Typography variant="h2" sx={{ mt: 2.5 }}>
            2. From a file
          </Typography>
          <Typography>
            An installation that was exported elsewhere, as its JSON file or zip:{' '}
            <Link href="/yard?new=file">bring it in</Link>.
          </Typography>
          <Typography variant="h2" sx={{ mt: 2.5 }}>
            3. The demo
          </Typography>
          <Typography>
            A made-up yard with nine installations to play with: sign out, and the sign-in page opens it. What is yours
            stays here.
          </Typography>
        </>
      )}
    </section>
    <section aria-label="The eight stages">
      <Typography variant="h2">The way of a job, in eight stages</Typography>
      <Box component="ol" sx={{ pl: 2.5, '& li': { py: 0.5 } }}>
        {STAGES.map(({ id, name, about }) => (
          <li key={id}>
            <b>{name}</b>: {about}
          </li>
        ))}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        A stage has its tick when nothing is open in it. “Next” at the top right leads on, whatever is left.
      </Typography>
    </section>
  </Box>
)
