package inkel.core.tune.radio.rules;

import inkel.core.document.AirKey;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** All stations go to the channel that is farthest from the local networks. */
final class ChannelFix {
    private ChannelFix() {}

    static Optional<Fix> of(RadioNet net, End end) {
        return net.freest(end.rate()).map(channel -> {
            List<Edit> edits = new ArrayList<>();
            edits.add(RadioFixes.all(net, AirKey.CHANNEL, String.valueOf(channel)));
            net.ends().stream()
                    .filter(one -> one.isOwn(AirKey.CHANNEL))
                    .forEach(one -> edits.add(RadioFixes.like(net, one, AirKey.CHANNEL)));
            return new Fix(
                    "channel-" + channel,
                    Fact.of("fix.channel")
                            .with("channel", channel)
                            .with("group", net.group().name()),
                    Fact.of("fix.channel.cost"),
                    edits);
        });
    }
}
