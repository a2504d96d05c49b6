'use client'

import { createContext, useContext } from 'react'
import { METRIC, type UnitPreference } from '@/core/quantity/format'

const PreferenceContext = createContext<UnitPreference>(METRIC)

/** How this person wants figures shown, for everything below. */
export const PreferenceProvider = PreferenceContext.Provider

export const usePreference = (): UnitPreference => useContext(PreferenceContext)
