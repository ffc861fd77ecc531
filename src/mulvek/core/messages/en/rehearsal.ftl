## lessons

no-such-lesson = There is no lesson “{ $key }”.
    .fix = Choose one of the board.

## luck

seed-out-of-reach = A seed is a whole number.
    .fix = Give 0 to { $most }.
