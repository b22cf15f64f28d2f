package inkel.core.tune.radio.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.PacketAir;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.radio.RadioReport;
import java.util.List;

/** Reports a channel that reaches out of the band that is free of licence in most places. */
public final class ChannelBandRule implements Rule<RadioReport> {
    private static final RuleInfo INFO = new RuleInfo("radio.channel_band", Severity.LOOK, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(RadioReport report) {
        return report.nets().stream()
                .filter(net -> !net.isLongRange())
                .flatMap(net -> net.ends().stream()
                        .filter(end -> !PacketAir.isInBand(end.channel(), end.rate()))
                        .limit(1)
                        .map(end -> describe(net, end)))
                .toList();
    }

    private static Finding describe(RadioNet net, End end) {
        double half = end.rate().widthMhz() / 2;
        double middle = PacketAir.frequency(end.channel()).hertz();
        return Finding.of(INFO, RadioFixes.place(net, end))
                .with("station", end.name())
                .with("channel", end.channel())
                .number("from", Frequency.ofHertz(middle - half * 1e6), Source.COMPUTED)
                .number("to", Frequency.ofHertz(middle + half * 1e6), Source.COMPUTED)
                .number("band_from", Frequency.ofHertz(PacketAir.BAND_FROM_MHZ * 1e6), Source.RULE)
                .number("band_to", Frequency.ofHertz(PacketAir.BAND_TO_MHZ * 1e6), Source.RULE)
                .fix(() -> ChannelFix.of(net, end))
                .build();
    }
}
