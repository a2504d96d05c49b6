'use client'

import Box, { type BoxProps } from '@mui/material/Box'
import Link from 'next/link'

/** A box that is a link; for server components, which cannot hand a component over as a property. */
export const LinkBox = ({ href, ...props }: BoxProps & { href: string }) => (
  <Box component={Link} prefetch={false} href={href} {...props} />
)
