## lactometer

no-such-lactometer = There is no { $instrument } °C lactometer.
    .fix = Use 15.6, 27 or 29.
lactometer-reading-unlikely = { $value } { $unit } is not a milk's.
    .fix = Read again: { $low } to { $high } { $unit }.
