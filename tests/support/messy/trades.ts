/** Courses of nine trades that messy sources are made from. Lines: `= course`, `> outcome`, `# module`, `- objective`, `+ kind: activity`. */

export const TRADES = `
= Rope Access for Tree Workers
> Inspect a climbing kit and decide what stays on the ground
> Set a work position in a tree and come down safely
> Plan a job so that nobody stands below a cut
# Kit that holds
- Name each part of a harness and the load it takes
- Reject a worn rope by its sheath
+ reading: Handbook on slings and splices
+ video: A harness in twelve minutes
+ practice: Log of your own kit
# Knots and anchors
- Tie four knots with gloves on
- Choose an anchor that outlives the climb
- Explain why a false crotch spares the bark
+ video: Five knots from both sides
+ practice: Blind tying drill
+ quiz: Knots by photograph
# Going up, coming down
- Climb on a single line without a second person
- Lower a casualty within ten minutes
+ reading: Rescue cards 1 to 6
+ lab: First ascent in the yard
+ assignment: Rescue plan for one oak
+ discussion: What went wrong on the ash
# Cutting aloft
- Place a cut that leaves no hinge unheld
- Brief a ground crew before each limb falls
+ worked example: Three limbs, three cuts
+ lab: Crown thinning under watch
+ exam: Practical climb
= Bread for a Small Bakery
> Bake three doughs to the same weight every morning
> Trace a fault in a loaf to the hour it was made
> Cost a loaf and set its price
# Flour and water
- Weigh a formula in baker's percent
- Tell strong flour from weak by hand
+ reading: Chapter on hydration
+ lab: Two flours, one dough
+ quiz: Percentages without a calculator
# Time and yeast
- Predict proof from the temperature of a room
- Keep a starter alive for a month
+ video: A starter on day nine
+ practice: Temperature diary
+ discussion: Starters and their names
# Shaping and scoring
- Shape forty loaves in an hour
- Score a loaf so that it opens where it should
+ lab: Bench shift
+ video: Blade and wrist
+ assignment: Photo record of twelve loaves
# What a loaf costs
- Cost a loaf with labour and gas in it
- Decide which line leaves the shelf
- Write an order for one week of flour
+ reading: Mill price lists
+ case: The bakery that sold too many rolls
+ assignment: Price sheet for your shop
+ exam: Costing test
= Data Desk for Local Newsrooms
> Find a story in a public table
> Check a figure before it is printed
> Show a number so that readers see it right
> Ask for records in writing
# Tables that councils publish
- Locate the budget table of any council
- Clean a column of names typed by four clerks
+ reading: Guide to council accounts
+ practice: Twelve dirty columns
+ quiz: What the header hides
# Figures that lie quietly
- Compute a rate instead of a count
- Detect a change of definition between two years
+ video: Rates in the pub
+ practice: Recount of the pothole data
+ peer review: Second pair of eyes
# Charts for a phone
- Draw a bar chart that starts at nothing
- Reject a map where a table says more
+ worked example: From table to bars
+ assignment: One chart, one sentence
# Asking for records
- Draft a request that cannot be refused as vague
- Appeal a refusal within the term
- Keep a log of requests that others can read
+ reading: Ten refusals and their answers
+ discussion: Clerks are people
+ assignment: Request to your own council
+ project: Published story
= Wound Care at Home
> Assess a wound and record it so that the next nurse can go on
> Choose a dressing by stage and not by habit
> Teach a patient to see the first sign of infection
# Looking at a wound
- Measure a wound in three directions
- Describe tissue by colour and share
+ video: Ruler, light, camera
+ practice: Twenty photographs
+ quiz: Stages by picture
# Dressings
- Match a dressing to the amount of fluid
- Change a dressing without touching the bed
- Dispose of used material by the rule of the house
+ reading: Dressings from A to Z
+ lab: Clean hands, clean field
+ case: Mrs Okoro's heel
# Pressure and food
- Plan turning for a night with one carer
- Judge intake from a three-day diary
+ reading: Protein and skin
+ decision scenario: The night shift
+ assignment: Turning plan
# Handing over
- Write a handover that fits one page
- Persuade a family to report early
+ video: A handover in ninety seconds
+ discussion: What families hear
+ exam: Ward round on paper
= Stone Walls without Mortar
> Read a slope and set out a wall that drains
> Build a metre of wall that stands ten winters
> Repair a gap with the stone that fell
# Ground and line
- Set a batter frame true in both planes
- Dig a footing to firm ground
+ reading: Soils of three valleys
+ lab: String, frame, spade
+ quiz: Drainage sketches
# Coursing
- Cross every joint in two courses
- Pack hearting so that it cannot run
- Place throughs at the right height
+ video: Hands of a waller
+ lab: One square metre
+ reflection: What the wall told me
# Ends and tops
- Build a cheek end that takes a gate
- Cope a wall with stones on edge
+ worked example: A cheek end, stone by stone
+ lab: Cope in the rain
# Mending gaps
- Strip a gap without losing the next yard
- Estimate a day's work from a photograph
+ practice: Ten photographs priced
+ assignment: Gap report for a farmer
+ project: A gap of your own
= Front Office of a Small Hotel
> Check a guest in within four minutes
> Calm a complaint before it becomes a review
> Close a night's books to the cent
# The first four minutes
- Greet a guest and find the booking while talking
- Offer an upgrade without pressing
+ video: Two arrivals
+ practice: Role cards for check-in
+ quiz: Rates and rooms
# When things go wrong
- Listen to a complaint to its end
- Offer redress within one's own limit
- Record an incident for the morning shift
+ case: No hot water on the third floor
+ decision scenario: The overbooked Saturday
+ discussion: Sorry is not enough
# Money at the desk
- Reconcile a float after a busy shift
- Post a charge to the right folio
+ reading: Night audit, step by step
+ practice: Float drill
+ exam: Night audit against the clock
# Selling the quiet months
- Calculate revenue for each room that could be sold
- Propose a rate plan for February
+ reading: Numbers a hotel lives on
+ assignment: Rate plan
= Boat Engines for Harbour Hands
> Find the fault before taking the engine apart
> Service an outboard by the book and sign for it
> Keep fuel and water where they belong
# Fuel
- Bleed a fuel line without air left in it
- Recognise water in a sample by eye
+ reading: Filters and what they catch
+ lab: Bleeding three engines
+ quiz: Fuel faults
# Spark and battery
- Test a coil with a meter
- Charge a battery that was left all winter
- Trace a short in a loom of six wires
+ video: Meter in hand
+ lab: A dead panel
+ worked example: From no spark to spark
# Cooling
- Replace an impeller in under half an hour
- Explain why a thermostat sticks
+ video: The grey impeller
+ practice: Thermostat in a pan
+ discussion: Engines that boiled
# Signing off
- Fill in a service sheet that an insurer accepts
- Refuse a launch that is not safe
+ case: The charter that could not wait
+ assignment: Service sheet for two engines
+ exam: Fault in forty minutes
= Sign Language Interpreting in Schools
> Interpret a lesson without adding to it
> Prepare for a subject one has never studied
> Protect the pupil's privacy in a small town
# The classroom
- Choose where to stand for each seat
- Agree on signals with a teacher beforehand
+ reading: Lines of sight
+ practice: Floor plans of five rooms
+ reflection: My first lesson
# Preparing a subject
- Build a glossary for one chapter of chemistry
- Decide when to spell a word and when to coin a sign
- Brief a deaf adult who checks the signs
+ assignment: Glossary of thirty signs
+ video: Signs for acids
+ peer review: Glossaries swapped
# Two voices at once
- Voice a pupil's answer with its register
- Interrupt a debate that nobody can follow
+ video: A debate in slow motion
+ practice: Voicing drill
+ exam: Ten minutes live
# Staying out of it
- Decline a question about a pupil
- Report harm by the school's own steps
+ decision scenario: The mother at the gate
+ discussion: Small towns
+ quiz: What may be told
= Running a Community Greenhouse
> Keep a crop calendar that volunteers follow
> Hold a climate with little money
> Sell or give away everything that is grown
# Climate on a budget
- Read humidity and act on it within an hour
- Shade a bed before it burns
+ video: Vents and fans
+ practice: Two weeks of readings
+ quiz: Too wet, too dry
# Crops in turn
- Sow in succession for a harvest each week
- Rotate families over four beds
- Predict a gap in the harvest a month ahead
+ reading: Succession tables
+ assignment: Calendar for four beds
+ discussion: Who waters on Sunday
# Pests without poison
- Identify six pests by their damage
- Release a predator at the right number
+ worked example: Counting whitefly
+ lab: Yellow traps
# People and produce
- Share out a rota that holds through August
- Record produce for a grant report
+ case: The tomatoes nobody picked
+ project: Open day
+ reflection: What the rota taught us
`
