/** What is wrong, where (`path`, dotted, '' for the whole), and the figures. src/core/words makes the sentences. */
export type Problem = { readonly path: string } & (
  | { readonly code: 'not_a_number'; readonly got: string; readonly hint: string }
  | { readonly code: 'unknown_unit'; readonly got: string; readonly what: string; readonly known: string }
  | { readonly code: 'ambiguous_comma'; readonly got: string }
  | {
      readonly code: 'implausible'
      readonly what: string
      readonly got: string
      readonly min: string
      readonly max: string
      readonly meant?: string
    }
  | {
      readonly code: 'out_of_range'
      readonly what: string
      readonly got: number
      readonly min: number
      readonly max: number
      readonly unit: string
    }
  | { readonly code: 'empty_band'; readonly what: string; readonly at: number }
  | {
      readonly code: 'order'
      readonly low: string
      readonly lowValue: number
      readonly high: string
      readonly highValue: number
      readonly unit: string
    }
  | { readonly code: 'unknown_id'; readonly what: string; readonly got: string; readonly known: readonly string[] }
  | { readonly code: 'duplicate_id'; readonly what: string; readonly got: string }
  | { readonly code: 'missing'; readonly what: string }
  | { readonly code: 'unknown_schema'; readonly got: string; readonly known: string }
  | { readonly code: 'newer_schema'; readonly got: string; readonly known: string }
  | { readonly code: 'not_json'; readonly detail: string }
  | { readonly code: 'unknown_key'; readonly key: string }
  | { readonly code: 'not_one_of'; readonly got: string; readonly known: readonly string[] }
  | { readonly code: 'other_value'; readonly got: string; readonly wanted: string }
  | { readonly code: 'other_type'; readonly got: string; readonly wanted: string }
  | { readonly code: 'out_of_bound'; readonly got: string; readonly bound: string }
  | { readonly code: 'blank' }
  | { readonly code: 'no_short_name'; readonly got: string }
  | {
      readonly code: 'length'
      readonly got: string
      readonly of: 'items' | 'characters' | 'properties'
      readonly isMost: boolean
      readonly limit: number
    }
  | { readonly code: 'does_not_fit'; readonly got: string; readonly rule: string }
  | { readonly code: 'wrong_kind'; readonly what: string; readonly got: string; readonly needs: string }
  | { readonly code: 'too_many_values'; readonly most: number }
  | { readonly code: 'too_deep'; readonly most: number }
  | { readonly code: 'unstorable'; readonly of: 'text' | 'name' }
  | { readonly code: 'empty_file' }
  | { readonly code: 'flow_without_room' }
  | { readonly code: 'room_without_flow'; readonly room: string }
  | { readonly code: 'no_table_lines' }
  | { readonly code: 'no_flow'; readonly got: string; readonly room: string }
  | { readonly code: 'unknown_per'; readonly got: string }
  | { readonly code: 'no_time_column'; readonly headings: readonly string[] }
  | { readonly code: 'no_value_column'; readonly known: readonly string[]; readonly headings: readonly string[] }
  | { readonly code: 'not_a_time'; readonly got: string }
  | { readonly code: 'hour_not_there'; readonly got: string; readonly zone: string }
  | { readonly code: 'empty_cell'; readonly what: string }
  | { readonly code: 'no_contact'; readonly got: string; readonly what: string }
  | { readonly code: 'cell_not_a_number'; readonly got: string; readonly what: string }
  | { readonly code: 'other_decimal'; readonly what: string; readonly got: string; readonly before: string }
  | { readonly code: 'impossible_reading'; readonly what: string; readonly got: string }
  | { readonly code: 'same_time' | 'time_goes_back'; readonly line: number }
  | { readonly code: 'made_of_later'; readonly got: string; readonly name: string }
  | { readonly code: 'two_day_clocks' }
  | { readonly code: 'age_goes_back'; readonly day: number; readonly before: number }
  | { readonly code: 'no_placing' | 'moved_twice' | 'change_without_time' | 'mixed_stages' | 'no_speeds' | 'no_night' }
  | { readonly code: 'target_ring'; readonly got: string }
  | { readonly code: 'no_such_day'; readonly got: string }
  | {
      readonly code: 'seasons_overlap'
      readonly one: string
      readonly other: string
      readonly from: string
      readonly to: string
    }
  | { readonly code: 'seasons_gap'; readonly from: string; readonly to: string }
  | { readonly code: 'outside_signal'; readonly name: string; readonly got: number }
  | { readonly code: 'cut_out_with_stages' | 'cut_out_never_off' | 'stop_by_speed' }
  | { readonly code: 'inlet_count'; readonly got: number; readonly needs: number }
  | { readonly code: 'no_refrigerant'; readonly got: string; readonly known: readonly string[] }
  | { readonly code: 'overheat_order'; readonly onAt: number; readonly offBelow: number }
  | { readonly code: 'join_order'; readonly fan: string; readonly beforePct: number; readonly gotPct: number }
  | { readonly code: 'no_overheat' }
  | {
      readonly code: 'no_speed_left'
      readonly lowPct: number
      readonly highPct: number
      readonly stepPct: number
      readonly levelsPct: readonly number[]
      readonly bands: readonly { readonly fromPct: number; readonly toPct: number }[]
    }
  | { readonly code: 'follows_itself'; readonly fan: string }
  | { readonly code: 'other_state' }
  | { readonly code: 'purge_same_input' }
  | { readonly code: 'no_length'; readonly startMin: number; readonly endMin: number }
  | {
      readonly code: 'off_side'
      readonly action: 'direct' | 'reverse'
      readonly name: string
      readonly onAt: number
      readonly offAt: number
    }
  | { readonly code: 'no_result'; readonly why: string }
  | {
      readonly code: 'default_no_choice'
      readonly name: string
      readonly got: number
      readonly choices: readonly number[]
    }
  | {
      readonly code: 'default_off_step'
      readonly name: string
      readonly got: number
      readonly from: number
      readonly step: number
    }
  | { readonly code: 'off_not_had'; readonly name: string; readonly got: number }
  | { readonly code: 'choices_fall'; readonly name: string; readonly got: number; readonly before: number }
  | { readonly code: 'no_choices'; readonly name: string }
  | { readonly code: 'nothing_open'; readonly state: string }
  | { readonly code: 'no_way'; readonly from: string; readonly to: string }
  | { readonly code: 'never_changed'; readonly setting: string }
  | { readonly code: 'same_input' }
  | { readonly code: 'no_way_back'; readonly state: string; readonly to: string }
  | { readonly code: 'no_purpose'; readonly name: string }
  | { readonly code: 'advice_not_had'; readonly name: string; readonly got: number | null }
  | { readonly code: 'same_part_twice'; readonly name: string; readonly other: string; readonly means: string }
  | { readonly code: 'two_ways_to_say'; readonly name: string; readonly other: string }
  | { readonly code: 'nothing_sets'; readonly means: string; readonly builtIn: string | null }
  | {
      readonly code: 'slot_beyond'
      readonly name: string
      readonly group: string
      readonly slot: number
      readonly places: number
    }
  | { readonly code: 'leakless'; readonly outLs: number; readonly inLs: number }
  | { readonly code: 'too_quick'; readonly what: string; readonly quickestS: number; readonly leastS: number }
  | { readonly code: 'weather_gap'; readonly what: string; readonly fromS: number; readonly toS: number }
  | { readonly code: 'event_after_end'; readonly atS: number; readonly endS: number }
  | { readonly code: 'nothing_to_move' | 'no_aims' }
  | { readonly code: 'aims_contradict'; readonly what: string }
  | { readonly code: 'not_epw'; readonly detail: string }
  | { readonly code: 'cannot_learn'; readonly why: string }
  // What the server refuses.
  | {
      readonly code:
        | 'last_owner'
        | 'site_in_use'
        | 'site_taken'
        | 'check_gone'
        | 'copy_too_large'
        | 'no_installation_in_zip'
        | 'site_work_unknown'
        | 'no_picture'
        | 'not_as_signed'
        | 'rules_changed_meanwhile'
        | 'import_failed'
        | 'view_asked_wrong'
    }
  | { readonly code: 'not_whole'; readonly cameMore: boolean }
  | { readonly code: 'stays_without_reason'; readonly title: string }
  | { readonly code: 'id_of_example'; readonly id: string }
  | { readonly code: 'file_too_large' | 'workspace_too_large'; readonly mostMb: number }
  | { readonly code: 'no_zip' | 'no_manifest' | 'no_readings' | 'perhaps_more' }
  | { readonly code: 'column_unit'; readonly column: string; readonly unit: string; readonly what: string }
  | { readonly code: 'column_twice'; readonly column: string }
  | { readonly code: 'no_zone'; readonly got: string }
  /** Stored so by an earlier version, in words of its own; nothing makes them any more. */
  | { readonly code: 'said'; readonly text: string }
  | { readonly code: 'shape' | 'layout'; readonly detail: string }
)

export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] }

export const ok = <T>(value: T): Outcome<T> => ({ ok: true, value })
export const fail = (...problems: Problem[]): { readonly ok: false; readonly problems: readonly Problem[] } => ({
  ok: false,
  problems,
})
