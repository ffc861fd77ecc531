## caramel_run

weight-not-of-caramel = That cannot be of this batch.
    .fix = Give more than 0 and at most { NUMBER($most, maximumSignificantDigits: 3) } kg.
caramel-reading-kind = Caramel is followed by shade, °C and weight.
    .fix = Read one of these.
shade-set-by-milk = Milk is in: its shade is set.
    .fix = Weigh it instead.
shade-set-off-flame = It is off the flame: its shade is set.
    .fix = Say which shade it is.
caramel-off-flame = It is off the flame.
    .fix = Go on with what goes in next.
no-milk-poured-yet = No milk is in yet.
    .fix = Pour some first.
nothing-to-wipe-down = There is nothing to wipe down now.
    .fix = Do it while it simmers.
sugar-no-longer-alone = The sugar is no longer by itself.
    .fix = Weigh the pan instead.
sugar-temperature-unlikely = { $celsius } °C is no sugar on a flame.
    .fix = Give 20 to 300 °C.
weigh-while-it-simmers = Weigh it while it simmers.
    .fix = Say which shade it is, or how hot.
nothing-goes-in-now = Nothing goes in now.
    .fix = Take it off the flame first, or undo what came after.
not-all-poured-yet = It is not all in yet.
    .fix = Weigh it when it has simmered.

## curd_run

amount-not-of-curd = That cannot be of this batch.
    .fix = Give more than 0 and at most { NUMBER($most, maximumSignificantDigits: 3) }.
all-steps-done = All its steps are done.
    .fix = Write a note instead.
no-acid-into-yoghurt = No acid goes into yoghurt.
    .fix = Log whey instead.
whey-below-the-last = Whey only grows: this is all of it so far.
    .fix = Weigh the bowl again.

## kinds

no-such-kind = There is no batch of a kind “{ $name }”.
    .fix = Use one of: { $kinds }.
does-not-happen-to-kind = That does not happen to this.
    .fix = Log something else of it.

## leftovers

nothing-of-it-stands =
    { $of ->
        [sauce] No sauce stands there.
        [dough] No dough stands there.
        [whey] No whey stands there.
        [syrup] No syrup stands there.
       *[other] No more of it stands there.
    }
    .fix = Look at what does.

## log

before-it-began = That lies before it began.
    .fix = Give a later time.
has-not-begun = It has not begun.
    .fix = Begin it first.
snooze-too-long = A snooze is up to half an hour.
    .fix = Give 1 to 1800 seconds.
was-given-up = It was given up.
    .fix = Undo that to carry on.
no-such-event = This batch has no event { $event_id }.
    .fix = Choose one of its own.
begin-not-undone = How a batch began cannot be undone.
    .fix = Give it up instead.
already-undone = That is undone already.
    .fix = Undo the undo to bring it back.
already-begun = This batch has begun.
    .fix = Carry on with it.
note-too-long = A note holds 1 to 2000 letters.
    .fix = Shorten it.

## pauses

not-resting = It is not off the fire.
    .fix = Carry on with it.
already-resting = It is off the fire already.
    .fix = Put it back, or go on with it.
nothing-to-rest = Nothing of it is on the fire.
    .fix = Only what cooks can be taken off for a while.

## readings

reading-not-positive = A reading is above zero.
    .fix = Read again and type what you see.
reading-beyond-milk =
    { $than ->
        [solids] That would be less than its solids alone.
       *[whole] That would be more than went in.
    }
    .fix = Read again: off the boil, the pan’s weight taken off.
depth-above-rim = { LENGTH($value) } is above the rim: { $pan } is { LENGTH($deep) } deep.
    .fix = Measure from the deepest point up to the milk.
volume-above-brim = { VOLUME($value) } is more than { $pan } holds ({ VOLUME($brim) }).
    .fix = Read the jug again.
no-spoon-stage = That is no spoon stage.
    .fix = Choose one of: { $stages }.
milk-temperature-unlikely = Milk on the fire is not at { $value } °C.
    .fix = Give 40 to 130 °C.
brix-above-refractometer = A refractometer shows nothing above { $most } °Bx.
    .fix = Weigh it instead.

## rules

reading-unexpected-by-scale = It reads { MASS($read) }. { reading-unexpected }
    .fix = { reading-unexpected.fix }
reading-unexpected-by-depth = It reads { LENGTH($read) }. { reading-unexpected }
    .fix = { reading-unexpected.fix }
no-room-for-more = { $pan } has no room for that.
    .fix = Add less, or change to a larger pan.
weight-not-of-batch = That is no weight of a batch.
    .fix = Give more than 0 and at most { $high } kg.
reading-unexpected = I expected about { LENGTH($depth) } ({ VOLUME($volume) }, { MASS($mass) }).
    .fix = Read again, or say you are sure and I shall learn from it.
first-boil-past = The first boil is past.
    .fix = Undo it first if it was too early.
not-boiling-yet = Readings count from the first boil.
    .fix = Press First boil when it rolls.
pan-off-fire = It is off the fire.
    .fix = Put it back first, or undo Take it off.
pan-already-off = It is off already.
    .fix = Weigh it now.
nothing-to-pause = It is not on the fire.
    .fix = Nothing to pause.
not-paused = It is not paused.
    .fix = Carry on.
batch-finished = This batch is finished.
    .fix = It is in the Book.
not-cold-yet = It is not cold yet.
    .fix = Say how it turned out once it is off and cooled.
batch-finished-note-instead = This batch is finished.
    .fix = Write a note instead.
still-on-fire = It is still on the fire.
    .fix = Take it off first.
plan-closed-off-fire = It is off the fire.
    .fix = Undo Take it off to change the plan.
sugar-in-already = { MASS($sugar_kg) } is in already.
    .fix = Plan as much or more.
added-milk-temperature = Milk is between 0 and 100 °C.
    .fix = Say how warm it is.
pan-too-small-for-contents = { $pan } is too small for what is in there.
    .fix = Choose a larger pan.
part-before-boil = Part it once it boils.
    .fix = Wait for the first boil.
part-share = Take between a twentieth and nearly all.
    .fix = Give 5 to 95 %.
pour-before-boil = Pour together what boils.
    .fix = Wait for the first boil.

## standing

nothing-left-of-batch = Nothing is left of it.
    .fix = Weigh it first, or take another.
only-so-much-left = { MASS($left) } of it is left.
    .fix = Take that or less.

## sweet_rules

step-has-no-weight = That step is not cooked down to a weight.
    .fix = Weigh one that is.
step-not-running = That step does not run.
    .fix = Begin it first.
heavier-than-went-in = { MASS($kg) } is more than went in ({ MASS($went_in) }).
    .fix = Take the pan's own weight off, or say that it stood in it.
weight-out-of-reach = That is no kitchen's weight.
    .fix = Give more than 0 and at most { $most } kg.
pieces-out-of-reach = That is no number of pieces.
    .fix = Give 1 to 10 000.
step-not-on-fire = That step is not on the fire.
    .fix = Begin it without a { $thing }.
taken-by-step =
    { $thing ->
        [burner] “{ $said }” is still on it.
       *[pan] “{ $said }” is still in it.
    }
    .fix = Use another { $thing }, or end that first.
no-such-step = There is no step “{ $step }” here.
    .fix = Choose one of its steps.
step-so-already = That is so already.
    .fix = Undo it, or go on with the next.
earlier-step-first = First: { $first }
    .fix = Finish that one, then this.
no-base-in-slot = No base “{ $slot }” is made for this.
    .fix = Choose one of its own.
nothing-made-of-that = No { $of } is made for this.
    .fix = Weigh what is left of its own.
no-weighing-line = There is no such line on the weighing list.
    .fix = Choose one of them.
