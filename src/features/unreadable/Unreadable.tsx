'use client'

import dynamic from 'next/dynamic'

/** Reading documents from outside weighs much, and hardly any page has to: it is loaded where one cannot be opened. */
export const Unreadable = dynamic(() =>
  import('@/features/unreadable/UnreadableInstallation').then(({ UnreadableInstallation }) => UnreadableInstallation),
)
