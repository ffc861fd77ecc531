## account

told-more-came-than-went-in = { NUMBER($gave) } g came of { NUMBER($most) } g that went in.
    .fix = A line is missing, or one of the weights is wrong.
told-less-came-than-solids = { NUMBER($gave) } g is less than the { NUMBER($solids) } g of solids that went in.
    .fix = Was the pan's own weight taken off, and all of it weighed?
depth-needs-its-pan = A depth needs its pan.
    .fix = Put the pan in the Larder, or write a part or a weight.
told-stop-out-of-reach = Boiling down does not lead there.
    .fix = Write less than went in: “to half”, “to 600 g”.
told-curd-too-much = So much curd does not come of it: { $said } does.
    .fix = Look at both amounts.

## amounts

example-of-line = Write an amount and the thing: 2 L buffalo milk, 5 spoons of sugar, 30 g pistachios.
no-such-answer = “{ $key }” is not one of the answers.
    .fix = Take one of those that are shown.
told-amount-of-what = { $amount } what of { $thing }?
    .fix = Write { $amount } g, { $amount } ml or { $amount } cups.

## form

told-without-result = It is not told yet what came of it.
    .fix = Write a last line: gave 14 sticks, 1 020 g.
told-piece-weight-unlikely = One piece would weigh { NUMBER($each, maximumSignificantDigits: 3) } g.
    .fix = Look at how many it gave, and what of.
told-nothing-freezes = There is no water in it that could freeze.
    .fix = Write what else went in: the milk.

## lines

example-of-result = Write what came of it: gave 14 sticks, 1 020 g.
told-line-too-long = That is too long for a line.
    .fix = Write one thing done a line.
told-thing-unknown = I do not know what that is, so it counts for nothing.
    .fix = { $example }
told-result-missing = What came of it?
    .fix = Write it like: gave 14 sticks, 1 020 g.
told-how-much = How much { $thing }?
    .fix = Write it in front: 100 g { $thing }.
