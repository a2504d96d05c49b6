import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { MONO } from '@/ui/theme'

type Props = { url: string; qrSvg: string; isReachable: boolean; hasOwnAuthority: boolean }

/** How to open this server on a phone: a code to scan, and, where the server vouches for itself, its certificate to install once. */
export const PhonePage = ({ url, qrSvg, isReachable, hasOwnAuthority }: Props) => (
  <Box
    component="main"
    sx={{ bgcolor: 'ground.sheet', minHeight: 'calc(100vh - 44px)', px: { xs: 1.75, sm: 2.5 }, py: 2 }}
  >
    <Box sx={{ maxWidth: 640 }}>
      <Typography variant="h1">On a phone</Typography>
      {!isReachable ? (
        <>
          <Typography sx={{ my: 1 }}>Only this machine can reach the server as it was started. Start it so:</Typography>
          <Box component="code" sx={{ fontFamily: MONO, display: 'block', overflowWrap: 'anywhere' }}>
            ./gale start --host 0.0.0.0 --url https://NAME-OF-THIS-MACHINE:4180
          </Box>
          <Typography variant="body2" sx={{ mt: 1 }}>
            docs/operate.md has the rest, also for a server behind a proxy.
          </Typography>
        </>
      ) : (
        <>
          <img
            src={`data:image/svg+xml;utf8,${encodeURIComponent(qrSvg)}`}
            alt={`QR code of ${url}`}
            width={200}
            height={200}
          />
          <Typography sx={{ overflowWrap: 'anywhere' }}>{url}</Typography>
          {hasOwnAuthority && (
            <Box component="ol" sx={{ pl: 2.5 }}>
              <li>Phone and this machine are in the same network. Scan the code.</li>
              <li>
                The phone says that it does not know who vouches for this server: that is so the first time. Go on to
                the page this once, sign in, and open this page there.
              </li>
              <li>
                <a href="/api/authority" download>
                  Take the certificate of this server’s authority
                </a>{' '}
                and install it: on Android under Settings, Security, Encryption and credentials, Install a certificate,
                CA certificate; on iOS open the file, then Settings, Profile downloaded, Install, and switch it on under
                General, About, Certificate trust settings.
              </li>
              <li>
                Close the browser, scan the code again: no warning comes any more, here or on any other page of it.
              </li>
              <li>
                When this server is given up, remove the certificate from the phone: whoever holds its key could vouch
                for other names.
              </li>
            </Box>
          )}
        </>
      )}
    </Box>
  </Box>
)
