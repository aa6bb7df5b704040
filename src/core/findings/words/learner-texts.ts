/** What is said of texts that learners read. Each names the text, and the first place in it. */
import type { TextCode } from '../../learner-pages/text-codes'
import { countOf } from '../../numbers'
import type { RuleWords, Words } from '../words'

export type TextFacts = { readonly text: string; readonly words: string; readonly n: number }
type TextWords = Omit<RuleWords<TextFacts>, 'fixes'> & { readonly fixes: { readonly mend: () => string } }

const quoted = (words: string): string => (words === '' ? '' : `: “${words}”`)
/** `In instructions of 3.2 Reading 2 links say nothing of where they lead: “here”.` */
const about = (why: string, one: string, many: string, fix = ''): TextWords => ({
  why,
  summary: (n) => `${countOf(n, 'text')} in which ${one}`,
  says: ({ text, words, n }) => `In ${text} ${n === 1 ? one : `${n} ${many}`}${quoted(words)}.`,
  fixes: { mend: () => fix },
})

const BY_HEADINGS = 'Who listens to a page goes from heading to heading; a step that is missing looks like a part that is missing.'
const BY_LISTS = 'A list that is one tells its listeners how long it is and where each item begins.'
const BY_LINKS = 'Many go through the links of a page alone: each has to say by itself where it leads.'
const BY_TABLES = 'Headers tell listeners which column and row a cell is in.'
const BY_PICTURES = 'Who does not see a picture has its words instead.'

export const LEARNER_PAGE_WORDS = {
  'heading-skips': about(BY_HEADINGS, 'a heading skips a level', 'headings skip a level', 'One level down at a time'),
  'heading-empty': about(BY_HEADINGS, 'a heading has no words', 'headings have no words', 'Take empty headings out'),
  'heading-typed': about(BY_HEADINGS, 'a line in bold stands for a heading', 'lines in bold stand for headings', 'Make it a heading'),
  'list-typed': about(BY_LISTS, 'a list is typed by hand', 'lists are typed by hand', 'Make it a list'),
  'link-empty': about(BY_LINKS, 'a link has no words', 'links have no words', 'Take empty links out'),
  'link-bare': about(BY_LINKS, 'a link is shown as an address', 'links are shown as addresses'),
  'link-vague': about(BY_LINKS, 'a link says nothing of where it leads', 'links say nothing of where they lead'),
  'link-same-text': about(
    BY_LINKS,
    'a link has the words of another that leads elsewhere',
    'links have the words of others that lead elsewhere',
  ),
  'table-no-header': about(BY_TABLES, 'a table has no header cells', 'tables have no header cells', 'First row is a header'),
  'table-layout': about(BY_TABLES, 'a table has one row or column', 'tables have one row or column'),
  'table-header-empty': about(BY_TABLES, 'a header cell is empty', 'header cells are empty'),
  'table-merged': about(
    'Cells over several rows or columns are read in an order that is hard to follow.',
    'a cell goes over several',
    'cells go over several',
  ),
  'image-no-alt': about(BY_PICTURES, 'a picture has no words', 'pictures have no words'),
  'image-decorative-alt': about(
    'A picture is decoration and is passed over, or it says something: it cannot be both.',
    'a picture that is decoration has words',
    'pictures that are decoration have words',
    'Drop their words',
  ),
  'image-alt-name': about(
    BY_PICTURES,
    'the words of a picture do not say what it shows',
    'pictures have words that do not say what they show',
  ),
  'image-alt-long': about(
    'Words of a picture are read in one go; what is longer belongs into the text.',
    'the words of a picture are long',
    'pictures have long words',
  ),
  'sensory-only': about(
    'Who does not see colours or the page cannot find something by how it looks or where it stands.',
    'something is told by its look or place alone',
    'things are told by their look or place alone',
  ),
} as const satisfies Readonly<Record<TextCode, TextWords>> & Words
