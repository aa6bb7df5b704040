/** What a rating points at: records found by typing, page addresses. */
import Autocomplete from '@mui/material/Autocomplete'
import Chip from '@mui/material/Chip'
import TextField from '@mui/material/TextField'
import { useMemo, useState } from 'react'
import { MOST_QUOTE, type ReviewRating } from '../../core/beside/review-records'
import { anyRecord, type Blueprint, recordMap } from '../../core/blueprint/blueprint'
import { KIND_NAMES, type KindName, type RecordRef, specOf } from '../../core/blueprint/kinds'
import { recordName } from '../../core/plan/names'
import { useFileAddress } from '../files/use-files'
import { isSelectable } from '../kind-views'
import { Button } from '../parts/button'
import { laterFrom } from '../parts/later'

type Cited = ReviewRating['evidence'][number]
type Props = {
  readonly plan: Blueprint
  readonly evidence: readonly Cited[]
  /** What the field is called where it holds something else: records alone, without addresses. */
  readonly label?: string
  /** The seat whose evidence it is: it may bring pictures. */
  readonly seatId?: string | null
  readonly disabled: boolean
  readonly onChange: (evidence: readonly Cited[]) => void
}

/** So many are offered at once (Cairn default). */
const SHOWN = 40
export const NOT_CITED: ReadonlySet<string> = new Set([
  'reviewSet',
  'reviewArea',
  'reviewPoint',
  'decision',
  'ruleSetting',
  'columnSet',
  'columnOfSet',
])
const blank = { kind: null, id: null, address: null, file: null, quote: null, digest: null }
export const cite = (ref: RecordRef, quote: string | null = null): Cited => ({ ...blank, kind: ref.kind, id: ref.id, quote })
export const sameCited = (a: Cited, b: Cited): boolean =>
  a.kind === b.kind && a.id === b.id && a.address === b.address && a.file === b.file && a.quote === b.quote

type Option = { readonly label: string; readonly noun: string; readonly cited: Cited }

/** What can be cited of a plan, by what it is called. */
function optionsOf(plan: Blueprint): readonly Option[] {
  const kinds = KIND_NAMES.filter((kind) => isSelectable(kind) && !NOT_CITED.has(kind))
  return kinds.flatMap((kind) =>
    [...recordMap(plan, kind).values()].map(
      (record): Option => ({
        label: recordName(plan, { kind, id: record.id }, record),
        noun: specOf(kind).noun,
        cited: cite({ kind, id: record.id }),
      }),
    ),
  )
}

const ADDRESS = /^https?:\/\/\S{3,}$/i

export function EvidenceField({ plan, evidence, label, seatId, disabled, onChange }: Props) {
  const addressOf = useFileAddress()
  const [picturing, setPicturing] = useState(false)
  const [typed, setTyped] = useState('')
  const [asked, setAsked] = useState(false)
  const options = useMemo(() => (asked ? optionsOf(plan) : []), [asked, plan])
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const found = options.filter((o) => words.every((w) => o.label.toLowerCase().includes(w))).slice(0, SHOWN)
  const add = (cited: Cited) => {
    setTyped('')
    if (!evidence.some((e) => sameCited(e, cited))) onChange([...evidence, cited])
  }
  const takeAddress = (): boolean => {
    if (label !== undefined || !ADDRESS.test(typed.trim())) return false
    add({ ...blank, address: typed.trim() })
    return true
  }
  return (
    <div className="evidence-field">
      {evidence.map((e) => (
        <Chip
          key={JSON.stringify(e)}
          size="small"
          label={citedName(plan, e)}
          {...(e.file
            ? {
                component: 'a',
                href: addressOf(e.file),
                target: '_blank',
                rel: 'noopener',
                clickable: true,
                avatar: <img src={addressOf(e.file)} alt="" />,
              }
            : {})}
          {...(disabled ? {} : { onDelete: () => onChange(evidence.filter((x) => !sameCited(x, e))) })}
        />
      ))}
      {!disabled && (
        <Autocomplete
          className="input"
          size="small"
          options={found}
          filterOptions={(all) => all}
          value={null}
          inputValue={typed}
          onOpen={() => setAsked(true)}
          onInputChange={(_, text, reason) => {
            if (reason === 'input') setTyped(text)
            setAsked(true)
          }}
          getOptionLabel={(o) => o.label}
          getOptionKey={(o) => JSON.stringify(o.cited)}
          noOptionsText={label === undefined && ADDRESS.test(typed.trim()) ? 'Enter pins this address' : 'Nothing of that name'}
          onChange={(_, o) => o && add(o.cited)}
          onBlur={() => void takeAddress()}
          renderOption={({ key, ...props }, o) => (
            <li key={key} {...props}>
              <span className="grow">{o.label}</span>
              <span className="muted small">{o.noun}</span>
            </li>
          )}
          renderInput={(params) => (
            <TextField
              {...params}
              {...(label === undefined
                ? {
                    label: 'Evidence',
                    placeholder: 'a record by number or name, or an address',
                    slotProps: { ...params.slotProps, inputLabel: { ...params.slotProps.inputLabel, shrink: true } },
                  }
                : {
                    placeholder: 'about which record?',
                    slotProps: { ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, 'aria-label': label } },
                  })}
              onKeyDown={(e) => {
                if (e.key === 'Enter' && takeAddress()) e.preventDefault()
              }}
            />
          )}
        />
      )}
      {!disabled && seatId && <Button onClick={() => setPicturing(true)}>Picture…</Button>}
      {picturing && seatId && (
        <PictureDialog
          heading="A picture as evidence"
          begin={null}
          mayDecorate={false}
          seatId={seatId}
          onTake={({ fileId, alt }) => add({ ...blank, file: fileId, quote: alt.trim().slice(0, MOST_QUOTE) || null })}
          onClose={() => setPicturing(false)}
        />
      )}
    </div>
  )
}

const PictureDialog = laterFrom(
  () => import('../files/picture-dialog'),
  (m) => m.PictureDialog,
)

/** What is cited, in words. */
export function citedName(plan: Blueprint, e: Cited): string {
  const quoted = e.quote ? `: “${e.quote}”` : ''
  if (e.kind === null || e.id === null) return `${e.address ?? 'a picture'}${quoted}`
  const ref = { kind: e.kind as KindName, id: e.id }
  const record = anyRecord(plan, ref)
  return `${record ? recordName(plan, ref, record) : `${specOf(ref.kind).noun} that is gone`}${quoted}`
}
