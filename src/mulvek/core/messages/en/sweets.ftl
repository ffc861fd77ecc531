## build

sweets-made-of-each-other = These sweets are made of each other.
    .fix = Take one of them out.
no-such-part = There is no “{ $key }” to build from.
    .fix = Use an ingredient, a base or a sweet.
cook-drier-than-dry = It would have to be drier than dry before the rest goes in.
    .fix = Cook it less dry.
base-drier-than-milk = That is drier than milk goes.
    .fix = Reduce it less.
no-room-for-milk = That leaves no room for the milk.
    .fix = Take less sugar, or cook it less dry.

## curds

hung-curd-out-of-reach = Yoghurt does not drain so far.
    .fix = Ask for 65 to 80 % water.

## currency

no-such-currency = There is no money “{ $code }”.
    .fix = Give its three letters: INR, EUR, GBP…

## forms

form-number-missing = “{ $name }” is missing.
    .fix = Give a number, { $low } to { $high }.
form-no-number = “{ $name }” is no number.
    .fix = Give { $low } to { $high }.
form-number-out-of-reach = “{ $name }” of { $value } is out of reach.
    .fix = Give { $low } to { $high }.
form-text-missing = “{ $name }” is missing or no text.
    .fix = Write a few words.
form-no-table = “{ $name }” is no table.
    .fix = Write name = value pairs.
form-range-two-numbers = A range is two numbers.
    .fix = Give the lower and the upper one, { $low } to { $high }.
form-range-upside-down = The range is upside down.
    .fix = Give the lower number first.
form-unknown-name = “{ $odd }” is not part of a sweet's form.
    .fix = Known here: { $names }.
form-base-no-table = A base is a table.
    .fix = Write { "{" } do = "reduce", of = "milk", x = 2 { "}" }.
form-base-unknown-way = A base is not made by “{ $do }”.
    .fix = Use reduce, curdle or hang.
form-piece-no-table = A piece is a table.
    .fix = Write { "{" } way = "serve", grams = 100 { "}" }.
form-piece-unknown-way = There is no piece “{ $way }”.
    .fix = Use one of: { $pieceway }.
form-adds-no-list = What is stirred in is a list of names.
    .fix = Write adds = ["white-sugar"], or ["rest"].
form-unknown-phase = “{ $phase }” is no phase of what is lit.
    .fix = Use one of: { $phases }.
form-steps-no-list = Steps are a list.
    .fix = Write [[steps]] tables, 30 at most.
form-school-no-table = A school is a table.
    .fix = Give name, mix and finish.
form-nothing-mixed = Nothing is mixed.
    .fix = Name at least one base or ingredient.
form-finish-too-much = More than 80 % goes in at the end.
    .fix = These are shares of the finished mass.
form-told-no-list = What was told is no list of lines.
    .fix = Write a line for each thing you did.
form-sweet-no-table = A sweet is a table.
    .fix = Give name, one, many and schools.
form-without-school = It has no school.
    .fix = Write at least one way of making it.
form-cautions-no-list = Cautions are a list of words.
    .fix = Write ["frying", "nuts"].
form-step-no-table = A step is a table.
    .fix = Give key, say and takes.
form-after-unknown-step = It waits for a step that is not before it.
    .fix = Name keys of steps above it.
form-step-twice = Two steps are called “{ $key }”.
    .fix = Give each its own key.
form-part-no-table = That is a table.
    .fix = Write name = value pairs.
form-flavour-no-table = A flavour is a table.
    .fix = Give name and finish.
form-time-unknown = “{ $takes }” is not a time that can be reckoned.
    .fix = Use minutes or { $reckoned }.

## fruits

no-such-fruit = I know no fruit “{ $key }”.
    .fix = Use one of: { $known }.
sweet-takes-no-fruit = No fruit goes into it.
    .fix = Choose a way of making it with fruit.

## knobs

no-such-school = { CAP($sweet) } is not made so.
    .fix = Use: { $schools }.
school-has-no-knob = This school has nothing of that kind to change.
    .fix = Change one of its own numbers.
knob-out-of-reach = { $value } is out of reach.
    .fix = Give { $low } to { $high }.
no-such-flavour = There is no flavour “{ $flavour }”.
    .fix = Use: { $flavours }.
knobs-nothing-mixed = Nothing is mixed.
    .fix = Leave at least one thing in.

## late

late-nearly-all-sugar = That is nearly all sugar.
    .fix = Ask for less than 90 %.
late-sweet-already = It is that sweet already.
    .fix = Ask for more, or thin it with milk.
late-too-wet = Milk cannot make it that wet.
    .fix = Ask for less water.

## library

no-sweet-to-copy = There is no sweet “{ $key }” to copy.
    .fix = Choose one of the list.
form-unknown-part = There is no “{ $name }”.
    .fix = Use an ingredient, a base of this school or a sweet.
form-unknown-caution = There is no caution “{ $word }”.
    .fix = Use: { $hazards }.
form-unknown-hazard = There is no caution “{ $caution }”.
    .fix = See the list.
form-base-missing = There is no base for “{ $takes }”.
    .fix = Name a base.
form-not-toml = It is no TOML: { $error }.
    .fix = Mend the file.

## plan

sweet-count-out-of-reach = { $pieces } is no kitchen's batch.
    .fix = Ask for 1 to { $most }.
sweet-mass-out-of-reach = That is no kitchen's batch.
    .fix = Ask for 20 g to 100 kg.
sweet-volume-out-of-reach = That is no kitchen's batch.
    .fix = Ask for 20 ml to 100 L.
sweet-size-missing = How many, or from what?
    .fix = Say what you want, or what you have.
have-out-of-reach = That is no kitchen's amount.
    .fix = Give up to 100 kg.
base-not-enough = There are { NUMBER($there) } g of { $base }: enough for { NUMBER($most) } g.
    .fix = Ask for less, or say “what I have”.
not-in-this-sweet = There is no “{ $key }” in this sweet.
    .fix = Name its milk, a base or an ingredient.

## portions

none-goes-into-sweet = None of that goes into this sweet.
    .fix = Name its milk, curd or khoya.

## swapping

swap-nothing-to-replace = There is no { $what } here to do without.
    .fix = Choose one of the list.

## swaps

swap-empty-larder = There is nothing in the Larder to try.
    .fix = Add powders, creams or milks there.

## weighed

weighs-less-than-solids = It weighs less than its own solids.
    .fix = Weigh it again in its log.

## fruit_cautions

fruit-splits-milk-warm = This much fruit splits the milk warm.
    .text = Have both at 5 °C before they meet, or take less of it.
fruit-splits-milk-cold = This much fruit splits the milk even cold.
    .text = Take less of it, or a sweeter fruit.
raw-fruit-turns-milk-bitter = Raw { $fruit } turns milk bitter.
    .text = Heat it to 85 °C for 5 minutes right through, and cool it, before it goes in.
