'use client'

import { createContext, useContext } from 'react'
import { USUAL_DATES, type DateStyle } from '@/core/quantity/dateStyle'
import { METRIC, type UnitPreference } from '@/core/quantity/format'
import { problemWordsFor, type ProblemWords } from '@/core/words/problems'

const PreferenceContext = createContext<UnitPreference>(METRIC)

/** How this person wants figures shown, for everything below. */
export const PreferenceProvider = PreferenceContext.Provider

export const usePreference = (): UnitPreference => useContext(PreferenceContext)

/** What is wrong, in their words. */
export const useProblemWords = (): ProblemWords => problemWordsFor(usePreference())

/** How they read dates and times of day. */
export const useDates = (): DateStyle => usePreference().dates ?? USUAL_DATES
