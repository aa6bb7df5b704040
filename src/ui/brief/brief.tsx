/** What the course is: where it stands, the facts that everything else rests on, its parts, and the decisions made. */
import type { Course } from '../../core/blueprint/kinds'
import { CREDIT_LABELS, DELIVERY_LABELS } from '../../core/syllabus/assemble'
import { Cover } from '../files/cover'
import { useNonce } from '../frame/nonce'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { RichField } from '../parts/rich-field'
import { useCourse, useCourseStore } from '../store/course-store'
import './brief.css'
import { Decisions } from './decisions'
import { OnOnePage } from './on-one-page'
import { PartsList } from './parts-list'
import { Rules } from './rules'
import { WhereItStands, WorthDoing } from './where-it-stands'

export function Brief() {
  const course = useCourse((s) => s.view.course.get('course'))
  if (!course) return null
  return (
    <div className="work">
      <h1 className="visually-hidden">Brief</h1>
      <div className="scroll-area brief">
        <WhereItStands />
        <div className="brief-columns">
          <TheCourse course={course} />
          <div>
            <WorthDoing />
            <PartsList />
            <OnOnePage />
            <Rules course={course} />
          </div>
        </div>
      </div>
    </div>
  )
}

function TheCourse({ course }: { course: Course }) {
  const store = useCourseStore()
  const nonce = useNonce()
  const field = (label: string, name: keyof Course, placeholder = '') => (
    <PlanField kind="course" record={course} field={name} label={label} placeholder={placeholder} />
  )
  return (
    <section className="card" data-record="course course">
      <h2>The course</h2>
      <div className="fields code-title">
        {field('Code', 'code')}
        {field('Title', 'title')}
      </div>
      {field('Subtitle', 'subtitle')}
      {field('Institution', 'institution')}
      <RichField
        label="Description"
        forLearners
        value={course.description}
        nonce={nonce}
        readOnly={!store.may('course')}
        onCommit={(description) =>
          void store.edit('edit-text', { what: 'description' }, (edit) => edit.set('course', 'course', { description }))
        }
      />
      <Cover course={course} />
      {field('What runs through all of it', 'theme')}
      {field('Who it is for', 'audience')}
      {field('Before learners start', 'prerequisites')}
      <div className="fields three">
        <PlanChoice kind="course" record={course} field="delivery" label="How it is taught" labels={DELIVERY_LABELS} />
        <PlanChoice kind="course" record={course} field="creditSystem" label="Credit system" labels={CREDIT_LABELS} />
        <PlanChoice kind="course" record={course} field="alsoDelivery" label="It also runs" none="no other way" labels={DELIVERY_LABELS} />
        {field('Credits', 'credits')}
        {field('Hours a week, from', 'weeklyHoursMin')}
        {field('Hours a week, to', 'weeklyHoursMax')}
        {field('Word for a module', 'moduleWord', 'Module')}
        {field('Prefix of outcomes', 'outcomePrefix', 'CO')}
        {field('Longest recording, in minutes', 'videoMinutes', '10')}
      </div>
      <Decisions />
    </section>
  )
}
