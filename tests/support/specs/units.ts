/**
 * Nine specifications that messy texts are made from. Lines: `= code title`, `@ who issues it`, `! about the unit`, `# element`,
 * `- criterion`, `~ what the criterion above covers`, `* skill: what`, `p`, `k`, `c` evidence of performance, of knowledge, conditions.
 */
export const UNITS = `
= TRW-118 Inspect climbing kit for tree work
@ Fernwick Rope Work Council
! This unit is for people who climb trees for their living and who lend their kit to others.
! It does not cover kit for rescue from water.
# Prepare for the inspection
- Obtain the kit log and the maker's instructions before any item is touched
- Clean and dry ropes in a well-aired room
- Set aside items whose age is unknown
# Inspect textile parts
- Draw each rope through bare hands over its full length
~ sheath, core, splices, stitched ends
- Compare diameters at three places, recording each to 0.5 mm
- Reject ropes with glazed, cut or hard places
# Inspect metal parts
- Open and close every gate, listening for grit
~ karabiners, pulleys, rope clamps
- Measure wear at load-bearing edges
# Report
- Mark rejected items so that nobody uses them again
- Enter the result, the date and the next inspection in the log
* Reading: Interprets labels and makers' tables
* Numeracy: Measures wear with a caliper
* Oral communication: Explains a rejection to the owner of the kit
p inspect one complete kit on two occasions
p inspect one complete kit on three occasions
p write the log of each inspection
k signs of wear in textile and metal parts
k how sunlight and chemicals weaken textile fibres
k self-locking gates and how they fail
k who may withdraw an item from use
c Assessment takes place in a workshop with natural light.
c Assessors hold a current climbing certificate.
= BKR-07 Bake bread in a small bakery
@ Millbrook Guild of Bakers
! Bakers who start before dawn and work alone apply this unit.
# Plan the bake
- Work out the formula for the day's orders
- Check flour, salt and yeast against the order
- Adjust water to the flour and to the room
~ strong flour, weak flour, wholemeal, rye
# Mix and ferment
- Mix to the stage that the dough asks for
- Judge the end of the first rise by touch, not by the clock
- Keep times and temperatures in the day book
# Shape and bake
- Divide dough by weight, within 5 g of the target
- Shape loaves with an even, tight skin
- Score and load without losing gas
- Judge a loaf by colour, sound and weight
# Close the day
- Cool loaves before they are packed
- Leave benches, tins and the oven clean for the next shift
* Numeracy: Calculates baker's percentages
* Planning: Orders the work so that the oven never waits
* Writing: Keeps a day book that others can read
p bake three doughs in one shift
p bake at least two of them without a mixer
p correct one dough that was mixed too wet
k how salt slows fermentation
k effects of flour strength on water
k rules for allergens on labels
c Evidence is gathered in a working bakery or a place that resembles one closely.
c An oven with steam must be available.
= ECC-31 Support play of young children
@ Harrow Vale Institute for Early Years
! This unit covers the skills needed to watch, plan and support play in a group of children under five.
# Observe play
- watch a child at play without leading it
- note what the child does, in words that do not judge
- keep notes where only the team can read them
# Plan for play
- choose materials that allow more than one use
~ sand, water, cloth, boxes
- agree the plan with a colleague
- check that every child can take part
# Take part in play
- join a game when invited and follow the child's lead
- step back when the game goes on by itself
- settle a quarrel so that both children stay
# Review with the team
- compare what was planned with what happened
- change one thing for the next day, and say why
* Listening: Hears what a child means behind what a child says
* Writing: Writes notes for parents in plain words
p support the play of children of two age groups
p keep an observation diary over four weeks
p lead one review with a team
k stages of play from birth to five
k what the law says about notes on children
k how play differs between families
k dangers of small parts and of water
c The candidate works with real children under supervision.
c A colleague who knows the group confirms the diary.
= WSH-22 Service a workshop lathe
@ Corriemoor Engineering Authority
! The unit applies to technicians who look after manual lathes in schools and small workshops.
! Work on the electrical supply is excluded.
# Make the machine safe
- Isolate the machine and prove that it is dead
- Remove swarf with a hook, never by hand
# Check geometry
- Level the bed in both directions
- Measure run-out of the spindle with a dial gauge
~ radial run-out, axial run-out
- Align head and tailstock to within 0.02 mm
- Check wear of the bed near the chuck
# Replace worn parts
- Select belts, bearings and wipers from the maker's list
- Fit bearings without striking their outer rings
- Adjust gibs so that slides move freely without play
# Hand the machine back
- Test run at three speeds and listen for faults
- Complete the service card
- Show the user what was changed
* Numeracy: Reads gauges and works out differences
* Problem solving: Traces a noise to the part that makes it
* Technology: Finds parts in a maker's online list
p service two lathes of different makes
p restore one lathe that turns a taper
p hand one lathe back to its user
k causes of taper, chatter and poor finish
k kinds of bearing and their fits
k lubricants and where they are used
c Work takes place on machines that are in use.
c The candidate has no help with measuring.
= HOS-44 Run a small reception desk
@ Tarn Bridge Hospitality Board
! People at the desk of a hostel or a small hotel use this unit on every shift.
# Receive guests
- Greet each guest within one minute of arrival
- Find the booking and confirm dates, price and room
- Explain how doors, heating and breakfast work
# Handle payments
- Take payment by the means that the house accepts
~ cash, card, voucher, invoice
- Issue a receipt that shows tax apart
- Balance the till at the end of a shift
# Deal with trouble
- Hear a complaint to its end before answering
- Offer a remedy within the limits of the role
- Call the duty manager where safety is at stake
# Hand over
- Write a hand-over that needs no questions
- Pass on keys, cash and open matters
* Oral communication: Uses short, friendly sentences
* Digital literacy: Moves between the booking screen and mail
* Teamwork: Hands over without leaving work to guess
p check in at least ten guests
p deal with a complaint on two occasions
p balance a till on three occasions
k house rules and where they are written down
k rights of guests whose booking is lost
k signs of card fraud
c Assessment happens during at least two real shifts.
c Role play may stand in for complaints.
= GRD-09 Raise vegetable seedlings
@ Ashgrove Growers' Association
! Growers, school gardeners and helpers in community plots work to this unit.
# Prepare to sow
- Read the packet and count back from the last frost
- Mix compost that drains and holds water
- Clean trays that were used before
# Sow
- Sow at a depth of twice the seed
- Label each tray with kind, date and name
- Cover, water and place trays by their need for light
~ seeds that need light, seeds that need darkness
# Care for seedlings
- Water from below until the first true leaves show
- Prick out before roots meet
- Find and name three common pests and diseases
~ damping off, greenfly, slugs
# Harden off and plant
- Move trays out by day for ten days
- Plant at the distance that the full-grown plant asks for
- Record losses and what caused them
* Reading: Understands seed packets and plans
* Numeracy: Works out dates, depths and distances
* Learning: Keeps a record and learns from losses
p raise six kinds from seed to planting out
p keep losses below one in five
k why seedlings stretch towards light
k life cycles of two pests
k effect of frost on young leaves
c Evidence is collected over one spring.
c Photographs count where they carry a date.
= MUS-61 Lead a community choir
@ Solway School of Music
! Leaders of choirs without auditions apply this unit.
# Choose repertoire
- Select songs within the range of the singers
~ range of notes, languages, length
- Obtain copies within the law
- Write parts for voices that are missing
# Lead a rehearsal
- Warm up bodies and voices
- Teach a song by ear, line by line
- Give the first note and a clear beat
- Correct one thing at a time
# Care for the group
- Place new singers beside steady ones
- Keep a rehearsal within its time
- Notice tired voices and change the task
# Lead a performance
- Plan entries, exits and order of songs
- Conduct so that the singers look up
- Thank everybody who helped
* Listening: Hears which part is flat
* Planning: Fits a programme to a number of rehearsals
* Writing: Tells singers when and where in few words
p lead four rehearsals of one choir
p lead one performance of at least twenty minutes
p teach two songs by ear
k ranges and breaks of untrained voices
k how copyright covers arrangements
k signs of a strained voice
k acoustics of halls, churches and open air
c The choir has at least twelve singers.
c One rehearsal is recorded.
= CYB-15 Keep a small office network running
@ Brae Digital Skills Agency
! The unit is for the one person in a small office whom everybody asks.
# Know the network
- Draw a map of devices, addresses and cables
- List accounts, their rights and their owners
- Store passwords in a manager, never in a sheet
# Keep it running
- Apply updates within 14 days of their release
- Test a backup by restoring from it
~ full restore, single file, mailbox
- Replace a failed disk without losing data
- Watch logs for logins at odd hours
# Help people
- Ask what was done last before touching anything
- Explain a fault without jargon
- Close a request only when the user agrees
# Answer an incident
- Disconnect the device, not the user
- Write down times and steps as they happen
- Report to whoever must know within 72 hours
* Reading: Follows a vendor's advisory step by step
* Problem solving: Halves the search until one cause is left
* Oral communication: Calms people who have lost work
p restore one backup to another device
p answer two incidents of different kinds
p answer three incidents of different kinds
p hand over the map of one network
k address ranges, names and gateways
k kinds of backup and their trade-offs
k signs of a phishing message
c A network of at least five devices is used.
c No real data of third parties may be used.
= PHY-52 Assist with exercise after surgery
@ Wexcombe Health Council
! Assistants work under the direction of a physiotherapist who has written the plan.
# Receive the plan
- Confirm the person, the operation and the limits
- Ask about pain, sleep and medicines
- Stop and report where the plan does not fit
# Prepare the room
- Set height of plinth, chair and frame
- Clear the floor and check footwear
~ walking aids, rugs, cables, pets
# Guide the exercise
- Show each movement before it is asked for
- Count aloud and correct posture by words first
- Adjust load within the range that the plan allows
- End the session when a stop sign appears
~ dizziness, chest pain, sudden swelling
# Record and report
- Write repetitions, load and pain on the day's sheet
- Tell the physiotherapist about changes the same day
* Numeracy: Counts, times and charts
* Oral communication: Gives one instruction at a time
* Empathy: Sees fear behind a refusal
p guide five sessions with three different people
p adapt one session to pain
p report one stop sign in role play
k healing times of bone, tendon and muscle
k stop signs and what to do about each
k rules of consent and privacy
k hand hygiene
c Sessions are observed by a registered physiotherapist.
c Video may replace one observation.
`
