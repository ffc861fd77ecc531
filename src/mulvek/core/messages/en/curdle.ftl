## acid

no-such-coagulant = “{ $key }” curdles no milk here.
    .fix = Use one of: { $coagulants }.
acid-too-weak = So weak, { $what } never curdles it.
    .fix = Use a sourer one, or another acid.

## balance

no-such-drain = Curd is not drained by “{ $way }”.
    .fix = Use one of: { $drains }.
drain-time-out-of-reach = That is no draining time.
    .fix = Give up to a day.

## forecast

curd-pan-boils-over = { $pan } boils over with more than { VOLUME($most) }; this is { VOLUME($milk_m3) }.
    .fix = Take a larger pan or less milk.
piece-too-large = That is more than one piece holds.
    .fix = Make smaller pieces or take more milk.
cools-too-slowly = It takes more than 20 minutes to cool to { NUMBER($celsius) } °C.
    .fix = Wait less.
cooling-reading-unlikely = { $celsius } °C after { $seconds } minutes cannot be.
    .fix = Read it again.
curd-wish-out-of-reach = That is out of this kitchen's reach.
    .fix = Wish for a batch.

## fruit

no-such-curd-fruit = I do not know “{ $key }”.
    .fix = Use one of: { $fruits }.
fruit-not-cooked-down-so = Fruit is not cooked down so.
    .fix = Give the share left, 0.3 to 1, and sugar up to 1.
fruit-number-out-of-reach = { $value } is out of reach here.
    .fix = Give { $low } to { $high }.

## milk

milk-without-casein = { CAP($milk) } does not curdle: it holds no casein.
    .fix = Choose a milk.

## pieces

no-such-curd-use = Chhena is not made for “{ $key }” here.
    .fix = Use one of: { $uses }.

## plan

acid-not-so-strong = No { $what } is that strong.
    .fix = Usual is { $strength }.
curd-amount-out-of-reach = { $amount } is not a batch.
    .fix = Take 100 ml to 100 L.
curd-number-out-of-reach = { $value } { $unit } is out of reach.
    .fix = Give { $low } to { $high } { $unit }.

## soak

syrup-bath-out-of-reach = That is no bath of syrup.
    .fix = Give pieces, sugar and more water than boils off.

## cautions

hot-curd-scalds = Hot curd scalds.
    .text = Rinse it cool before you take it in your hands.
milk-makes-weak-curd = This milk makes weak curd.
    .text = UHT and homogenised milk crumble: fine for a paste, poor for balls.
stop-when-whey-is-clear = Stop when the whey runs clear
    .text = and greenish: acid left over makes it sour and hard.
warm-the-sour-whey = Warm the sour whey or curd first,
    .text = to about 70 °C: cold, so much of it cools the milk and it stays milky.
sour-unrinsed = Unrinsed it tastes of the acid.
    .text = Pour cool water through it twice.
no-acid-in-iron = Not in iron or bare aluminium
    .text = once the acid goes in: take steel or enamel.
