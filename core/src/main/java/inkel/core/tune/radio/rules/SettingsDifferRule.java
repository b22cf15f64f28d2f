package inkel.core.tune.radio.rules;

import inkel.core.document.AirKey;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.radio.RadioReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a radio that is set otherwise than those it is to talk with: nothing comes through. */
public final class SettingsDifferRule implements Rule<RadioReport> {
    private static final RuleInfo INFO = new RuleInfo("radio.settings_differ", Severity.STOP, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(RadioReport report) {
        List<Finding> findings = new ArrayList<>();
        for (RadioNet net : report.nets()) {
            List<RadioNet.Difference> differences = net.differences();
            differences.stream()
                    .flatMap(difference -> difference.others().stream())
                    .distinct()
                    .forEach(end -> findings.add(describe(net, end, differences)));
        }
        return findings;
    }

    private static Finding describe(RadioNet net, End end, List<RadioNet.Difference> all) {
        List<RadioNet.Difference> own = all.stream()
                .filter(difference -> difference.others().contains(end))
                .toList();
        return Finding.of(INFO, RadioFixes.place(net, end))
                .with("station", end.name())
                .with("group", net.group().name())
                .with(
                        "lines",
                        own.stream()
                                .map(one -> Fact.of("radio.line." + one.key().text())
                                        .with("here", counted(said(end, one.key())))
                                        .with("there", counted(one.wanted())))
                                .toList())
                .fix(() -> Optional.of(new Fix(
                        "like-others",
                        Fact.of("fix.like_others").with("station", end.name()),
                        Fact.of("fix.like_others.cost"),
                        edits(net, end, own))))
                .build();
    }

    /** A number as one, so that words can go by it. */
    private static Object counted(String said) {
        return said.matches("[0-9]{1,4}") ? (Object) Integer.valueOf(said) : said;
    }

    private static String said(End end, AirKey key) {
        return key == AirKey.ADDRESS ? String.valueOf(end.address().size()) : end.said(key);
    }

    /** Set like all where that is what most say, and else by its own word. */
    private static List<Edit> edits(RadioNet net, End end, List<RadioNet.Difference> own) {
        List<Edit> edits = new ArrayList<>();
        for (RadioNet.Difference one : own) {
            End like = new End(
                    end.sort(),
                    end.station().with(one.key().text(), Optional.empty()),
                    end.plan(),
                    end.node(),
                    end.placed(),
                    end.name());
            boolean isEnough = said(like, one.key()).equals(one.wanted());
            edits.add(
                    isEnough || one.key() == AirKey.ADDRESS
                            ? RadioFixes.like(net, end, one.key())
                            : RadioFixes.one(net, end, one.key(), one.wanted()));
        }
        return edits;
    }
}
