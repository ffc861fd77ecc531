## bench

wish-missing = Nothing is wanted.
    .fix = Wish for an amount, like 600 g or 20 cups.

## beside

beside-other-sweet = { $seen } is no { $product }.
    .fix = Lay two of the same side by side.

## caramel

caramel-without-sugar = There is no caramel without sugar.
    .fix = Take 20 g to 5 kg.
caramel-solids-unreadable = “{ $said }” is no share of solids.
    .fix = Write it like “73 %”, or leave it empty.

## curd

chhena-wish-out-of-reach = That is no batch of chhena.
    .fix = Wish for 5 g to 50 kg, or “30 balls of 12 g”.

## day

serving-past = That hour is over.
    .fix = Serve later today, or on another day.
day-begins-after-serving = It begins when it is eaten already.
    .fix = Begin earlier.
day-begins-too-early = That is a long way ahead.
    .fix = Begin at most three days before serving.
cold-room-full = The { $place } has { $free } L free, and { $job } takes { NUMBER($wants, minimumFractionDigits: 1, maximumFractionDigits: 1) } L.
    .fix = Make room, make less of it, or leave it out.
day-damaged = This day is damaged in the file.
    .fix = Its makings stand on the Stove.

## day_plan

plan-of-another-day = That plan is of another day.
    .fix = Have it worked out once more.
pins-without-plan = Steps are pinned in no plan.
    .fix = Send the plan that is shown with them.
move-no-such-step = There is no step “{ $task }” in this day.
    .fix = Move one of its own.
move-no-such-burner = There is no such burner in this day.
    .fix = Name one of its own.
pin-no-such-step = There is no step “{ $key }” in this day.
    .fix = Pin one of its own.

## happenings

no-such-mend-reading = “{ $reading }” tells nothing of this.
    .fix = Answer one of: { $known }.

## mending

no-such-product = Nothing is made that is called “{ $key }”.
    .fix = Choose one of the list.

## reduce

not-a-sugar = { CAP($found) } is not a sugar.
    .fix = Choose a sugar of the Larder.
not-an-addition = { CAP($found) } does not enrich milk that boils down.
    .fix = Choose a powder, cream, a can, soft cheese or starch.
not-a-milk-to-reduce = { CAP($found) } is not a milk to reduce.
    .fix = Choose a liquid milk.

## rehearsal

lemon-pour-out-of-reach = That is no pour of lemon juice.
    .fix = Give up to a litre.

## strain

whey-more-than-yoghurt-gives = { MASS($mass_kg) } of this never gives so much whey.
    .fix = Weigh the bowl without whey too.

## sweet_asks

syrup-missing = Which syrup?
    .fix = Give sugar and water, its °Brix, or its boiling temperature.
syrup-amount-out-of-reach = { $q } is no kitchen's.
    .fix = Give 1 g to 200 kg.
sweet-not-in-moulds = This sweet is not frozen in moulds.
    .fix = Ask for sweeter or for moisture.
syrup-boils-nowhere = No syrup boils there.
    .fix = Read the thermometer in plain boiling water first.
late-mass-out-of-reach = That is no batch.
    .fix = Give 10 g to 200 kg.

## sweet_words

example-of-want = Write so many { $many }, or a weight or volume: 12 { $many }, 1.2 kg, 600 ml.
taken-out-of-reach = “{ $taken }” is out of reach.
    .fix = { $why-fix }
not-a-milk = { CAP($found) } is no milk.
    .fix = Choose a milk of the Larder.
no-such-sweet = There is no sweet “{ $sweet }”.
    .fix = Choose one of the list.
school-no-such-base = This school has no base { $unknown }.
    .fix = It has: { $bases }.
want-of-what = I cannot tell what “{ $text }” is of.
    .fix = Ask for so many { $many }, or by weight or volume: 1.2 kg, 600 ml.
want-out-of-reach = { $q } is no batch.
    .fix = Give 5 g to 200 kg.
have-how-much = How much of it?
    .fix = Write it like 380 g or 1.1 L.
tray-unreadable = “{ $text }” is no tray.
    .fix = Write its two sides, like 30 x 20 cm.
tray-sides-out-of-reach = A tray's sides are 5 to 100 cm.
    .fix = Measure it inside.
no-pan-or-burner = There is no pan or burner to cook on.
    .fix = Add them in the Larder.
taken-end-unreadable = “{ $text }” is no end.
    .fix = Write half, a third, 30 % solids or 1.9.
mould-volume-out-of-reach = { $ml } ml is no mould.
    .fix = Give 10 ml to 2 L.
want-not-whole = { $number } is no whole number of { $many }.
    .fix = Ask for { $fewer } or { $more }, or by weight: { $number } kg.
piece-mass-out-of-reach = { $grams } g is no piece.
    .fix = Give 2 g to 2 kg.

## told_lines

too-many-told-lines = That is more than { $most } things.
    .fix = Write one batch, without what it is for.

## trials

trial-nothing-measured = Nothing was measured.
    .fix = Give the weight of water, or the number of spoons.
trial-spoons-out-of-reach = That is no number of spoons.
    .fix = Count level spoons: up to 200.
trial-water-out-of-reach = No cup holds that.
    .fix = Weigh it full and empty: 1 to 3000 g of water.

## stock

-stock-example = Write an amount and the thing, like 2 kg sugar, 3 packets of milk or half a cup of cardamom.
stock-without-amount = That is no amount of a thing.
    .fix = { -stock-example }
stock-too-much = That is more than a kitchen holds.
    .fix = { -stock-example }
