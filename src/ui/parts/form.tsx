/**
 * Forms that are no fields of the plan: react-hook-form with the schema that the server reads too. What the server refuses is told
 * at its field.
 */
import { zodResolver } from '@hookform/resolvers/zod'
import { type ComponentProps, type ReactNode, useState } from 'react'
import { type Control, type FieldValues, type Path, type UseFormProps, useController, useForm } from 'react-hook-form'
import type { z } from 'zod'
import type { ApiProblem } from '../store/api'
import { MomentInput } from './date-input'
import { SelectInput, type SelectInputProps, TextInput, type TextInputProps } from './input'

/** Why the server refused; null where it is done. */
type Refused = Pick<ApiProblem, 'title' | 'problems'> | null

/**
 * A form over a schema. `send` is given what the schema reads and returns why the server refused. `problem` is what belongs to no
 * field.
 */
export function useZodForm<Input extends FieldValues, Output>(
  schema: z.core.$ZodType<Output, Input>,
  defaultValues: NonNullable<UseFormProps<Input>['defaultValues']>,
  send: (values: Output) => Promise<Refused>,
) {
  const form = useForm<Input, unknown, Output>({
    resolver: zodResolver(schema as z.core.$ZodType<Output, Input>),
    defaultValues,
    mode: 'onSubmit',
  })
  const [problem, setProblem] = useState<string | null>(null)
  const submit = form.handleSubmit(async (values) => {
    setProblem(null)
    const refused = await send(values)
    if (!refused) return
    const placed = (refused.problems ?? []).filter((p) => p.at in form.getValues())
    for (const { at, message } of placed) form.setError(at as Path<Input>, { message }, { shouldFocus: true })
    if (placed.length === 0) setProblem(refused.problems?.map((p) => p.message).join(' ') || refused.title)
  })
  return {
    control: form.control as unknown as Control<Input>,
    reset: form.reset,
    watch: form.watch,
    problem,
    clear: () => {
      setProblem(null)
      form.clearErrors()
    },
    // A second press while the first is on its way does nothing; the button stays on, and so keeps the focus.
    submit: (event: { preventDefault: () => void }) => {
      if (form.formState.isSubmitting) event.preventDefault()
      else void submit(event as never)
    },
  }
}

/** What belongs to no field. */
export const FormProblem = ({ children }: { children: ReactNode }) =>
  children ? (
    <p className="form-error" role="alert">
      {children}
    </p>
  ) : null

type Named<F extends FieldValues> = { readonly control: Control<F>; readonly name: Path<F> }

export function FormText<F extends FieldValues>({ control, name, ...rest }: Named<F> & TextInputProps) {
  const { field, fieldState } = useController({ control, name })
  const { ref, ...bound } = field
  return <TextInput {...rest} {...bound} inputRef={ref} error={fieldState.error?.message} />
}

export function FormSelect<F extends FieldValues>({
  control,
  name,
  ...rest
}: Named<F> & Omit<SelectInputProps<string>, 'value' | 'onChoose' | 'name'>) {
  const { field, fieldState } = useController({ control, name })
  return <SelectInput {...rest} name={name} value={field.value} onChoose={field.onChange} error={fieldState.error?.message} />
}

/** A day as ISO text; empty while none is given. */
export function FormDate<F extends FieldValues>({ control, name, label }: Named<F> & { readonly label: string }) {
  const { field, fieldState } = useController({ control, name })
  const take = (day: string | null) => {
    field.onChange(day ?? '')
    return null
  }
  return <MomentInput kind="date" label={label} value={field.value || null} onCommit={take} clearable error={fieldState.error?.message} />
}

/** The form itself; its parts are laid out by its children. */
export const Form = ({ submit, ...rest }: { submit: (e: { preventDefault: () => void }) => void } & ComponentProps<'form'>) => (
  <form onSubmit={submit} noValidate {...rest} />
)
