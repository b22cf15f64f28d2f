package inkel.core.tune.radio.rules;

import inkel.core.document.AirKey;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.PacketLayout;
import inkel.core.quantity.DataSize;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.radio.RadioReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports fields that lie otherwise on another board, or do not go into what is sent: numbers arrive wrong. */
public final class PayloadSizeRule implements Rule<RadioReport> {
    private static final RuleInfo INFO = new RuleInfo("radio.payload_size", Severity.STOP, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(RadioReport report) {
        List<Finding> findings = new ArrayList<>();
        for (RadioNet net : report.nets()) {
            if (net.fields().isEmpty()) {
                continue;
            }
            net.otherLayouts().stream().limit(1).forEach(end -> findings.add(otherwise(net, end)));
            net.ends().stream()
                    .filter(end -> net.layout(end).bytes() > net.room(end))
                    .limit(1)
                    .forEach(end -> findings.add(tooLong(net, end)));
        }
        return findings;
    }

    private static Finding otherwise(RadioNet net, End end) {
        return Finding.of(INFO, RadioFixes.place(net, end))
                .with("station", end.name())
                .with("first", net.first().name())
                .number("bytes_here", DataSize.ofBytes(net.layout(end).bytes()), Source.COMPUTED)
                .number("bytes_there", DataSize.ofBytes(net.layout(net.first()).bytes()), Source.COMPUTED)
                .fix(() -> Optional.of(new Fix(
                        "alike",
                        Fact.of("fix.alike"),
                        Fact.of("fix.alike.cost"),
                        List.of(new Stations.SetPacket(net.anchor(), texts(PacketLayout.alike(net.fields())))))))
                .build();
    }

    private static List<String> texts(List<PacketLayout.Field> fields) {
        return fields.stream().map(PacketLayout.Field::text).toList();
    }

    private static Finding tooLong(RadioNet net, End end) {
        int bytes = net.layout(end).bytes();
        return Finding.of(INFO, RadioFixes.place(net, end))
                .variant("long")
                .with("station", end.name())
                .number("bytes_here", DataSize.ofBytes(bytes), Source.COMPUTED)
                .number("bytes_sent", DataSize.ofBytes(net.room(end)), Source.RULE)
                .fix(() -> larger(net))
                .build();
    }

    /** As many bytes as the longest layout has, where a packet holds that. */
    private static Optional<Fix> larger(RadioNet net) {
        int most = net.ends().stream()
                .mapToInt(end -> net.layout(end).bytes())
                .max()
                .orElse(0);
        if (most > net.most()) {
            return Optional.empty();
        }
        List<Edit> edits = new ArrayList<>();
        AirKey key = net.isLongRange() ? AirKey.BYTES : AirKey.PAYLOAD;
        edits.add(RadioFixes.all(net, key, String.valueOf(most)));
        net.ends().stream().filter(end -> end.isOwn(key)).forEach(end -> edits.add(RadioFixes.like(net, end, key)));
        return Optional.of(new Fix(
                "payload-" + most, Fact.of("fix.payload").with("bytes", most), Fact.of("fix.payload.cost"), edits));
    }
}
