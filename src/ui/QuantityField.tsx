'use client'

import Box from '@mui/material/Box'
import InputBase from '@mui/material/InputBase'
import Popper from '@mui/material/Popper'
import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent, type RefObject } from 'react'
import { formatFigure, formatPct, preferredUnit, type UnitPreference } from '@/core/quantity/format'
import { bareMeanings, parseQuantity } from '@/core/quantity/parse'
import { fromBase, quantitySpec, toBase, type Quantity, type Unit } from '@/core/quantity/units'
import { problemText } from '@/core/words/problems'
import { TextButton } from '@/ui/TextButton'
import { usePreference } from '@/ui/preference'
import { MONO } from '@/ui/theme'

type Props = {
  label: string
  quantity: Quantity
  /** In the base unit; null shows an empty field. */
  value: number | null
  onChange: (value: number) => void
  /** There is no value any more: the field was emptied, or holds what cannot be read. Without it the last value stays in force, and an
   *  empty field goes back to it. */
  onClear?: () => void
  /** The gesture is over: what was typed or turned is one change for undo. */
  onDone?: () => void
  /** One turn of the wheel or arrow key, in the base unit (a difference for temperatures). */
  step?: number
  limits?: readonly [min: number, max: number]
  colour?: string
  large?: boolean
  showUnit?: boolean
  /** With up to four places that count, for figures that may be very small. */
  isExact?: boolean
}

/** What stands in a field while it is typed, and after it was refused. */
type Entry = {
  readonly text: string
  readonly problem: string | null
  readonly isTyping: boolean
  /** The value in force with it. */
  readonly value: number | null
}

/** Times are read in the unit a person would say them in: 15 min, not 900 s. */
function shownUnit(quantity: Quantity, value: number | null, preferred: Unit): Unit {
  if (quantity !== 'time' || value === null || value === 0) return preferred
  const { units } = quantitySpec('time')
  return (
    [...units].reverse().find(({ scale }) => value >= scale && Number.isInteger(Number((value / scale).toFixed(4)))) ??
    preferred
  )
}

/** A value as it stands in the field, in the unit that is shown. */
function figureOf(value: number | null, { quantity, isExact }: Props, unit: Unit, preference: UnitPreference): string {
  if (value === null) return ''
  const plain = (x: number) => String(x).replace('.', preference.decimalMark ?? '.')
  if (isExact) return plain(Number(fromBase(unit, value).toPrecision(4)))
  if (quantity === 'time') return plain(Number(fromBase(unit, value).toFixed(2)))
  if (quantity === 'count') return plain(Number(value.toFixed(3)))
  return quantity === 'speed' || quantity === 'ratio'
    ? formatPct(value, preference)
    : formatFigure(value, quantity, preference)
}

/** What is typed and turned in a field, and what becomes of it. */
function useEntry(props: Props) {
  const { quantity, value, onChange, onClear, onDone, step, limits } = props
  const preference = usePreference()
  const [entry, setEntry] = useState<Entry | null>(null)
  const [min, max] = limits ?? quantitySpec(quantity).plausible
  const unit = shownUnit(quantity, value, preferredUnit(quantity, preference))
  const figure = figureOf(value, props, unit, preference)
  // What was refused stays until somebody mends it, or until another value is put there from outside.
  const shown = entry && (entry.isTyping || entry.value === value) ? entry : null
  const problem = shown?.problem ?? null
  // A bare number that instruments show in several units is said with the others, until it is turned or left as it is.
  const bare =
    shown && problem === null ? bareMeanings(shown.text, quantity, unit.symbol, preference.decimalMark) : null

  return {
    unit,
    text: shown?.text ?? figure,
    problem,
    bare,
    mayBeNegative: min < 0,
    drop: () => setEntry(null),
    type: (next: string): void => {
      const parsed =
        next.trim() === ''
          ? null
          : parseQuantity(next, quantity, { typedUnit: unit.symbol, limits, decimalMark: preference.decimalMark })
      if (parsed?.ok) {
        setEntry({ text: next, problem: null, isTyping: true, value: parsed.value })
        if (parsed.value !== value) onChange(parsed.value)
        return
      }
      const refusal = parsed ? parsed.problems.map(problemText).join(' ') : null
      const inForce = value === null || onClear ? '' : ` ${figure} ${unit.symbol} stays in force.`
      setEntry({
        text: next,
        problem: refusal && `${refusal}${inForce}`,
        isTyping: true,
        value: onClear ? null : value,
      })
      if (value !== null) onClear?.()
    },
    leave: (): void => {
      setEntry(shown && (shown.problem !== null || bare) ? { ...shown, isTyping: false } : null)
      onDone?.()
    },
    turn: (direction: number): void => {
      if (value === null) return
      const oneStep = step ?? toBase(unit, 10 ** -unit.decimals) - toBase(unit, 0)
      const next = Math.min(max, Math.max(min, Number((value + direction * oneStep).toFixed(6))))
      setEntry(null)
      onChange(next)
    },
  }
}

/** Turns a field that has the focus by the wheel, and leaves the page where it is. */
function useWheel(input: RefObject<HTMLInputElement | null>, turn: (direction: number) => void): void {
  const turnByWheel = useEffectEvent((event: WheelEvent) => {
    if (document.activeElement !== input.current) return
    event.preventDefault()
    turn(event.deltaY < 0 ? 1 : -1)
  })
  useEffect(() => {
    const element = input.current
    // React's own wheel listeners are passive; the page must not scroll while the wheel turns a focused field.
    const onWheel = (event: WheelEvent) => turnByWheel(event)
    element?.addEventListener('wheel', onWheel, { passive: false })
    return () => element?.removeEventListener('wheel', onWheel)
  }, [input])
}

/** An inline field for a quantity: type with any unit, turn with arrows or wheel; the answer follows each keystroke. */
export function QuantityField(props: Props) {
  const { label, quantity, value, onChange, onDone, colour = 'text.primary', large = false, showUnit = true } = props
  const { unit, text, problem, bare, mayBeNegative, drop, type, leave, turn } = useEntry(props)
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const [hasFocus, setHasFocus] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  useWheel(input, turn)

  function onKey(event: KeyboardEvent<HTMLElement>): void {
    const { key } = event
    if (key === 'ArrowUp' || key === 'ArrowDown') {
      event.preventDefault()
      turn(key === 'ArrowUp' ? 1 : -1)
    }
    if (key === 'Enter') (event.target as HTMLElement).blur()
    if (key === 'Escape') drop()
  }

  return (
    <>
      <span ref={setAnchor} style={{ whiteSpace: 'nowrap' }}>
        <InputBase
          inputRef={input}
          value={text}
          onChange={(event) => type(event.target.value)}
          onFocus={(event) => {
            setHasFocus(true)
            event.target.select()
          }}
          onBlur={() => {
            setHasFocus(false)
            leave()
          }}
          onKeyDown={onKey}
          error={problem !== null}
          inputProps={{
            'aria-label': `${label}, ${unit.symbol}`,
            'aria-invalid': problem !== null,
            // The keyboard of figures has no letters and no colon, which a time is said with; nor a minus, which stands beside the field.
            inputMode: large || quantity !== 'time' ? 'decimal' : 'text',
            autoComplete: 'off',
            spellCheck: false,
            placeholder: value === null ? '––' : undefined,
          }}
          sx={{
            // The width is in digits of the font that is shown.
            fontFamily: MONO,
            fontSize: large ? '1.6rem' : '0.9375rem',
            fontWeight: 600,
            width: `calc(${Math.max(text.length, 2)}ch + 10px)`,
            color: colour,
            // A large one stands in a frame of its own.
            borderBottom: large && problem === null ? 'none' : '2px solid',
            borderColor: problem === null ? colour : 'error.main',
            '&.Mui-focused': { bgcolor: 'ground.side' },
            '& input': {
              p: '0 4px',
              font: 'inherit',
              fontVariantNumeric: 'tabular-nums slashed-zero',
              textAlign: 'center',
              height: large ? '2.4rem' : '1.6rem',
            },
            '@media (max-width: 600px)': { '& input': { minHeight: 40 } },
          }}
        />
        {showUnit && <span aria-hidden="true">{` ${unit.symbol}`}</span>}
        {hasFocus && mayBeNegative && !large && (
          <SignButton label={label} onTurn={() => type(/^[−-]/.test(text) ? text.slice(1) : `−${text}`)} />
        )}
      </span>
      {bare && bare.others.length > 0 && (
        <OtherMeanings
          bare={bare}
          onTake={(other) => {
            drop()
            onChange(other)
            onDone?.()
          }}
        />
      )}
      {problem !== null && <Refusal anchor={anchor}>{problem}</Refusal>}
    </>
  )
}

/** The minus that a phone’s keyboard of figures lacks, while the field has the focus. It leaves the focus where it is. */
const SignButton = ({ label, onTurn }: { label: string; onTurn: () => void }) => (
  <Box component="span" sx={{ display: { xs: 'inline', sm: 'none' } }} onMouseDown={(event) => event.preventDefault()}>
    {' '}
    <TextButton label={`${label}: change the sign`} onClick={onTurn}>
      ±
    </TextButton>
  </Box>
)

type Bare = NonNullable<ReturnType<typeof bareMeanings>>

/** What else a bare number could have meant, each to be taken instead. */
const OtherMeanings = ({ bare, onTake }: { bare: Bare; onTake: (value: number) => void }) => (
  <Box component="span" role="status" sx={{ fontSize: '0.8125rem', color: 'text.secondary' }}>
    {' '}
    taken as {bare.taken.text}
    {bare.others.map((other) => (
      <span key={other.text}>
        {', '}
        <TextButton onClick={() => onTake(other.value)}>{other.text}?</TextButton>
      </span>
    ))}
  </Box>
)

/** Why something was not taken. Only while there is something to say: a page of fields would otherwise carry a page of waiting tooltips. */
const Refusal = ({ anchor, children }: { anchor: HTMLElement | null; children: string }) => (
  <Popper open anchorEl={anchor} placement="bottom-start" sx={{ zIndex: 'tooltip' }}>
    <Box
      role="alert"
      sx={{
        bgcolor: 'text.primary',
        color: 'ground.sheet',
        borderRadius: 1,
        px: 1,
        py: 0.5,
        fontSize: '0.8125rem',
        maxWidth: 320,
      }}
    >
      {children}
    </Box>
  </Popper>
)
