## door

knocked-too-soon = Too soon after a wrong try.
    .fix = Wait { $seconds } s, then type again.
nobody-at-door = Nobody with a { $thing } is at the door.
    .fix = Ask for new numbers and knock again.
wrong-door-numbers = Those are not the numbers.
    .fix = Look again at the computer’s screen.
door-time-past = That time is past.
    .fix = Choose a later one.
device-sent-away = It was sent away.
    .fix = Let it knock again.
door-shut = The door is shut.
    .fix = Ask for new numbers at the computer.

## routes

device-not-let-in = This device is not let in yet.
    .fix = Wait until the computer lets it in.
door-only-this-computer = Only this computer is served.
    .fix = Start Mulvek with --home to let the house in.

## batches

only-milk-is-parted = Only milk on the fire is parted.
    .fix = Weigh it, and note how it was shared.

## begin

batch-needs-pan-and-burner = A batch needs a pan and a burner of the Larder.
    .fix = Add them there first.

## bench

plan-cannot-be-read = The plan cannot be read: { $where } { $why }.
    .fix = Open it from the Bench.

## beside

same-batch-twice = That is the same batch twice.
    .fix = Choose another beside it.

## book

batch-is-no-reduction = { $batch } is no reduction.
    .fix = Look at it on the Stove.

## day

day-without-order = No order was found in which all of it can be made.
    .fix = Begin earlier, serve later, or leave one out.
days-being-solved = Two days are being worked out already.
    .fix = Wait a moment, and look again.
day-plan-broken = That plan does not hold any more.
    .fix = Have it worked out once more.
day-no-such-step = There is no step “{ $task }” in this day.
    .fix = Choose one of its own.
slip-too-late = That is more than a day late.
    .fix = Say when it ends, within a day.
slip-choice-gone = That way is not there any more.
    .fix = Push it all, or look again.

## happened

happened-in-future = That lies in the future.
    .fix = Give the time it happened, or leave it out.

## instruments

too-many-cook-readings = It brings { $count } readings of the cook’s.
    .fix = Bring { $most } at a time.
too-many-instruments = { $most } instruments are paired already.
    .fix = Let one of them go first.

## keeping

not-sure = Nothing was changed.
    .fix = Say that you are sure.
copy-gone = That copy is gone.
    .fix = Choose another of the list.

## learned

no-such-learned-number = This kitchen has no such number “{ $key }”.
    .fix = Choose one of those it has.

## making

parent-no-sweet = { $parent } is no sweet.
    .fix = Name the sweet that it is a base of.
parent-no-such-base = { $parent } has no such base.
    .fix = Choose one of its own.
base-already-made = That base of { $parent } is made.
    .fix = Undo it there first, or begin it by itself.
base-already-there = That base of { $making } is there.
    .fix = Undo it there first.
batch-no-base-for-this = { $child } is no base for this.
    .fix = Choose one that is weighed, and of its kind.
batch-used-elsewhere = { $child } went into its own sweet.
    .fix = Choose another.
taken-for-no-sweet = { $making } is no sweet.
    .fix = Take it for a sweet.

## own_sweets

told-not-whole = It is not told yet what went in and what came of it.
    .fix = Write it as a line.
told-not-whole-for = { $why }
    .fix = Write it as a line.
version-missing = Which version was changed?
    .fix = Give the version you saw.
no-own-sweet = There is no own sweet “{ $sweet }”.
    .fix = Choose one of the list.
made-in-future = That lies in the future.
    .fix = Give the day it was made.

## pairing

instrument-address-unreadable = That is no instrument’s address.
    .fix = Type it like http://127.0.0.1:8977.
instrument-outside-network = Instruments are in the kitchen’s own network.
    .fix = Use an address of that network.
instrument-host-unknown = There is no “{ $host }” in this network.
    .fix = Check the address.
instrument-silent = Nothing answers there.
    .fix = Switch the instrument on and check its address.
instrument-speaks-otherwise = What answers there speaks otherwise.
    .fix = It must speak { $format }.

## photos

picture-not-base64 = That is no picture.
    .fix = Send it as base64.

## rehearsal

rehearse-what = What is to be rehearsed?
    .fix = Give a lesson, a batch or one plan.
rehearsal-needs-pan-and-burner = A rehearsal needs a pan and a burner of the Larder.
    .fix = Add them there first.
no-such-vessel = There is no such vessel.
    .fix = Give 0 to { $many }.
hands-elsewhere = Your hands are at the { $vessels } for another { $left } s.
    .fix = Wait.
hand-not-offered = That cannot be done now.
    .fix = Do one of the things that are offered.
rehearse-which-flame = Which flame?
    .fix = Give gentle, medium or strong.
hand-amount-too-much = That is more than there is: { $most } { $unit }.
    .fix = Give less.
called-away = You are away: { $caller } has you for another { $left } s.
    .fix = Come back to it.
another-pan-not-rehearsed = Another pan is not rehearsed.
    .fix = Begin a rehearsal in that pan.
rehearsal-still-going = It is still going.
    .fix = Bring it to its end first.
hand-of-the-stove = That is the Stove's.
    .fix = Use one of the hands that are shown.
pan-has-stove-hands = This pan has the Stove's own hands.
    .fix = Log it as an event.

## simulations

sweet-not-rehearsed-as-whole = A sweet is not rehearsed as a whole.
    .fix = Rehearse one of its bases, or a lesson.
lesson-gone = This lesson is no longer on the board.
    .fix = Begin another one.

## problems

title-badinput = I cannot use that
title-impossible = That cannot be done
title-notfound = Not in this kitchen
title-conflict = Not now
title-unlikely = Are you sure?
title-unreadable = Damaged
title-unavailable = Not just now
title-invalid = Invalid input
title-not-from-here = Not from here
title-at-door = At the door
title-not-by-device = Not by this device
title-too-soon = Too soon
title-too-many-tabs = Too many open tabs
-see-document = See the API document for what may stand here.
invalid-in-every-way = { $path }: This fits none of the ways to say it.
    .fix = { -see-document }
invalid-otherwise = { $path }: { $why }.
    .fix = { -see-document }
invalid-missing = { $path }: This is required.
    .fix = { -see-document }
invalid-extra-forbidden = { $path }: Such a name is not permitted here.
    .fix = { -see-document }
invalid-string-type = { $path }: This must be text.
    .fix = { -see-document }
invalid-string-too-short = { $path }: This must hold at least { COUNT($min_length) ->
    [one] one letter
   *[other] { $min_length } letters
 }.
    .fix = { -see-document }
invalid-string-too-long = { $path }: This may hold at most { COUNT($max_length) ->
    [one] one letter
   *[other] { $max_length } letters
 }.
    .fix = { -see-document }
invalid-string-pattern-mismatch = { $path }: This is not written as it must be.
    .fix = { -see-document }
invalid-int-type = { $path }: This must be a whole number.
    .fix = { -see-document }
invalid-int-from-float = { $path }: This must be a whole number.
    .fix = { -see-document }
invalid-int-parsing = { $path }: This must be a whole number.
    .fix = { -see-document }
invalid-float-type = { $path }: This must be a number.
    .fix = { -see-document }
invalid-float-parsing = { $path }: This must be a number.
    .fix = { -see-document }
invalid-finite-number = { $path }: This must be a number that ends.
    .fix = { -see-document }
invalid-greater-than = { $path }: This must be a number greater than { $gt }.
    .fix = { -see-document }
invalid-greater-than-equal = { $path }: This must be a number of at least { $ge }.
    .fix = { -see-document }
invalid-less-than = { $path }: This must be a number less than { $lt }.
    .fix = { -see-document }
invalid-less-than-equal = { $path }: This must be a number of at most { $le }.
    .fix = { -see-document }
invalid-bool-type = { $path }: This must be true or false.
    .fix = { -see-document }
invalid-bool-parsing = { $path }: This must be true or false.
    .fix = { -see-document }
invalid-list-type = { $path }: This must be a list.
    .fix = { -see-document }
invalid-tuple-type = { $path }: This must be a list.
    .fix = { -see-document }
invalid-dict-type = { $path }: This must be an object.
    .fix = { -see-document }
invalid-model-type = { $path }: This must be an object.
    .fix = { -see-document }
invalid-model-attributes-type = { $path }: This must be an object.
    .fix = { -see-document }
invalid-too-short = { $path }: This must hold at least { COUNT($min_length) ->
    [one] one thing
   *[other] { $min_length } things
 }.
    .fix = { -see-document }
invalid-too-long = { $path }: This may hold at most { COUNT($max_length) ->
    [one] one thing
   *[other] { $max_length } things
 }.
    .fix = { -see-document }
invalid-literal-error = { $path }: This must be { $expected }.
    .fix = { -see-document }
invalid-union-tag-invalid = { $path }: This must be { $expected_tags }.
    .fix = { -see-document }
invalid-union-tag-not-found = { $path }: Its kind is missing.
    .fix = { -see-document }
invalid-json-invalid = { $path }: This is no JSON.
    .fix = { -see-document }
invalid-json-type = { $path }: This must be JSON.
    .fix = { -see-document }
invalid-value-error = { $path }: { $error }.
    .fix = { -see-document }
invalid-none-required = { $path }: This must be empty.
    .fix = { -see-document }

## guard

host-not-served = This is not one of this kitchen’s addresses.
asked-by-another-site = Another site’s page asked for this.
    .fix = Open Mulvek itself.
device-not-in = This device is not let in.
    .fix = Knock with the six numbers.
-give-more = Give it more at the computer: Larder, the door.
device-may-not-look = This device may not look on.
    .fix = { -give-more }
device-may-not-log = This device may not stand at the stove.
    .fix = { -give-more }
device-may-not-cook = This device may not plan and light.
    .fix = { -give-more }
device-may-not-keep = This device may not change the Larder.
    .fix = { -give-more }
device-may-not-here = This device may not do that: it is done at the computer itself.
    .fix = { -give-more }

## stream

tab-asks-instead = This tab asks every few seconds instead.
