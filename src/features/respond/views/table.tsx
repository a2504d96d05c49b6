'use client'

import { isMeasured } from '@/core/rules/input'
import dynamic from 'next/dynamic'
import type { ComponentType } from 'react'
import type { Installation } from '@/core/installation/installation'
import type { ViewProps } from '@/features/respond/views/viewProps'
import { ruleKind, pulsesOf } from '@/core/rules/table'

type ViewOf = {
  readonly name: string
  /** Whether the same figures can be had as a table. */
  readonly canBeTable?: true
  /** There is no picture of it, only figures. */
  readonly isTable?: true
  /** Whether there is anything of the sort to show. */
  readonly fits: (document: Installation) => boolean
  readonly View: ComponentType<ViewProps>
}

const loading = () => <div style={{ height: 245 }} />

/** Ways to look at a response other than against one input. Each is fetched when it is looked at. */
export const VIEWS = {
  two: {
    name: 'two inputs at once',
    canBeTable: true,
    fits: ({ response }) => response.inputs.filter((input) => isMeasured(input) && !input.combines).length > 1,
    View: dynamic(() => import('@/features/respond/views/TwoInputs').then(({ TwoInputs }) => TwoInputs), { loading }),
  },
  ladder: {
    name: 'staging ladder',
    canBeTable: true,
    fits: ({ response }) => response.stages !== undefined,
    View: dynamic(() => import('@/features/respond/views/LadderView').then(({ LadderView }) => LadderView), {
      loading,
    }),
  },
  flow: {
    name: 'followers in flow',
    canBeTable: true,
    fits: ({ response }) => response.followers.length > 0,
    View: dynamic(() => import('@/features/respond/views/FollowerFlow').then(({ FollowerFlow }) => FollowerFlow), {
      loading,
    }),
  },
  week: {
    name: 'week, and what runs when',
    fits: ({ response }) =>
      response.dayByWeek !== undefined ||
      response.rules.some((rule) => pulsesOf(rule) !== null || ruleKind(rule).spans(rule).length > 0),
    View: dynamic(() => import('@/features/respond/views/WeekView').then(({ WeekView }) => WeekView), { loading }),
  },
  modes: {
    name: 'day and night side by side',
    fits: ({ response }) => response.light !== undefined || response.dayByWeek !== undefined,
    View: dynamic(() => import('@/features/respond/views/DayAndNight').then(({ DayAndNight }) => DayAndNight), {
      loading,
    }),
  },
  condenser: {
    name: 'probe, saturation and pressure',
    fits: ({ brief }) => brief.duty === 'head-pressure',
    View: dynamic(
      () => import('@/features/respond/views/CondenserScale').then(({ CondenserScale }) => CondenserScale),
      {
        loading,
      },
    ),
  },
  speeds: {
    name: 'table of speeds',
    isTable: true,
    fits: ({ response }) => response.followers.length > 0,
    View: dynamic(() => import('@/features/respond/views/SpeedsTable').then(({ SpeedsTable }) => SpeedsTable), {
      loading,
    }),
  },
  controllers: {
    name: 'controllers compared',
    isTable: true,
    fits: () => true,
    View: dynamic(
      () =>
        import('@/features/respond/views/ControllersCompared').then(({ ControllersCompared }) => ControllersCompared),
      { loading },
    ),
  },
} as const satisfies Record<string, ViewOf>

export type ViewId = keyof typeof VIEWS
export const viewOf = (id: ViewId): ViewOf => VIEWS[id]
export const VIEW_IDS = Object.keys(VIEWS) as ViewId[]
