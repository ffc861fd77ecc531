## forecast

caramel-boils-over = { $pan } is too small: { VOLUME($holds) } of it boils up as the milk goes in.
    .fix = Take a larger pan, or make less.
caramel-solids-before-simmering = It has { NUMBER($now) } % solids before it is simmered at all.
    .fix = Choose a larger share, or take more milk.

## melting

flame-never-melts-sugar = This flame never melts sugar in this pan.
    .fix = Take a stronger flame.

## plan

no-such-shade = There is no shade “{ $shade }” to stop at.
    .fix = Use one of: { $known }.
no-such-flame = There is no “{ $melt_on }” flame.
    .fix = Use one of: { $flames }.
caramel-sugar-out-of-reach = That is no amount of sugar to caramelise.
    .fix = Take 20 g to 5 kg.
caramel-without-milk = Caramel without milk is toffee.
    .fix = Add milk or condensed milk.
caramel-too-much-milk = That is more milk than so little caramel colours.
    .fix = Take more sugar or less milk.
caramel-solids-out-of-reach = Caramelised milk is 40 to 80 % solids.
    .fix = Choose a share between.
