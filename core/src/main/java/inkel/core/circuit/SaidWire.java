package inkel.core.circuit;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A wire of the document that begins at a pin which is no signal, as one that is written by hand may: from its far end, or for a
 * supply or a ground.
 *
 * @param meaning what it is for
 * @param becomes what says the same as it is to be said; empty where nothing is to be said
 * @param leg what feeds the other leg of a contact or a resistance from then on; empty for most
 */
public record SaidWire(Lost lost, Meaning meaning, Optional<Edit> becomes, Optional<Feed> leg) {
    SaidWire(Lost lost, Meaning meaning, Optional<Edit> becomes) {
        this(lost, meaning, becomes, Optional.empty());
    }

    /** What such a wire can be for. */
    public enum Meaning {
        /** It begins at the pin that serves a signal. */
        TURNED,
        /** As {@link #TURNED}, to a signal that has a wire. */
        TURNED_TWICE,
        /** It begins at the end of a contact or a resistance that is taken for the ground, while the other is no signal. */
        SWAPPED,
        /** Both ends are grounds, which are wired anyhow. */
        GROUND,
        /** It leads from a rail to a pin that is fed from it. */
        FED,
        /** It leads from a rail to a pin that nothing feeds yet. */
        FEED,
        /** It leads from a rail to a pin that another feeds. */
        FED_OTHERWISE,
        /** It is a lead of a programmer, which goes there anyhow. */
        PROGRAMS,
        /** It is a lead of a programmer that the chip wants at another pin. */
        PROGRAMS_ELSEWHERE,
        /** Nothing that is known. */
        UNKNOWN
    }

    /** Empty for what else has no place. */
    public static Optional<SaidWire> of(NodeCircuit node, Lost lost) {
        boolean begins = lost.kind() == Lost.Kind.WIRE
                && lost.missing().equals(lost.at())
                && node.pin(lost.at()).isPresent();
        return begins ? Optional.of(read(node, lost)) : Optional.empty();
    }

    /** All of a node, in its order. */
    public static List<SaidWire> of(NodeCircuit node) {
        return node.lost().stream().flatMap(lost -> of(node, lost).stream()).toList();
    }

    /**
     * What says the same as all of them of which anything is to be said; the first counts where two are for one pin. They
     * themselves are not taken away.
     */
    public static List<Edit> meant(NodeCircuit node) {
        List<Edit> edits = new ArrayList<>();
        Set<Endpoint> told = new HashSet<>();
        for (SaidWire said : of(node)) {
            boolean isMeant =
                    said.meaning == Meaning.TURNED || said.meaning == Meaning.SWAPPED || said.meaning == Meaning.FEED;
            if (isMeant && told.add(said.pin().orElseThrow())) {
                edits.add(said.becomes.orElseThrow());
                said.leg.ifPresent(edits::add);
            }
        }
        return edits;
    }

    /** Those of {@link #meant} that feed a pin. */
    public static List<Feed> feeds(NodeCircuit node) {
        return meant(node).stream()
                .filter(Feed.class::isInstance)
                .map(Feed.class::cast)
                .toList();
    }

    /** Those of them that are said by a wire from a rail to the pin alone, and hang on nothing else that has to change. */
    public static List<Feed> plainFeeds(NodeCircuit node) {
        return of(node).stream()
                .filter(said -> said.meaning == Meaning.FEED)
                .map(said -> said.feed().orElseThrow())
                .distinct()
                .toList();
    }

    private static SaidWire read(NodeCircuit node, Lost lost) {
        if (node.pin(lost.to()).filter(pin -> pin.use().isSignal()).isPresent()) {
            return node.wire(lost.to()).isPresent()
                    ? new SaidWire(lost, Meaning.TURNED_TWICE, Optional.empty())
                    : new SaidWire(lost, Meaning.TURNED, Optional.of(set(node, lost, lost.to(), lost.at())));
        } else if (is(node, lost.at(), PinUse.GROUND) && is(node, lost.to(), PinUse.GROUND)) {
            return new SaidWire(lost, Meaning.GROUND, Optional.empty());
        }
        Optional<Meaning> programs = programs(node, lost);
        if (programs.isPresent()) {
            return new SaidWire(lost, programs.get(), Optional.empty());
        }
        return feed(node, lost.at(), lost.to())
                .or(() -> feed(node, lost.to(), lost.at()))
                .or(() -> feedOn(node, lost.at(), lost.to(), false))
                .or(() -> feedOn(node, lost.to(), lost.at(), false))
                .or(() -> feedOn(node, lost.at(), lost.to(), true))
                .map(feed -> new SaidWire(lost, meaning(node, feed), Optional.of(feed)))
                .or(() -> otherEnd(node, lost).map(signal -> swapped(node, lost, signal)))
                .orElseGet(() -> new SaidWire(lost, Meaning.UNKNOWN, Optional.empty()));
    }

    /** Empty where neither end is a lead of a programmer that suits the board; its ground goes to any. */
    private static Optional<Meaning> programs(NodeCircuit node, Lost lost) {
        boolean isGround = is(node, lost.at(), PinUse.GROUND) || is(node, lost.to(), PinUse.GROUND);
        return programmer(node, lost)
                .map(line -> isCalled(node, line.chip(), lost.at())
                                || isCalled(node, line.chip(), lost.to())
                                || isGround && is(node, line.chip(), PinUse.GROUND)
                        ? Meaning.PROGRAMS
                        : Meaning.PROGRAMS_ELSEWHERE);
    }

    private static Optional<ProgramLines.Line> programmer(NodeCircuit node, Lost lost) {
        return ProgramLines.of(node).stream()
                .filter(line -> line.lead()
                        .filter(lead -> lead.equals(lost.at()) || lead.equals(lost.to()))
                        .isPresent())
                .findFirst();
    }

    /** Whether a pin of a chip is meant, by its label or the number of its leg. */
    private static boolean isCalled(NodeCircuit node, Endpoint pin, Endpoint named) {
        return pin.equals(named)
                || pin.part().equals(named.part())
                        && node.pin(pin)
                                .map(Pin::header)
                                .filter(leg -> String.valueOf(leg).equals(named.pin()))
                                .isPresent();
    }

    /** Where the chip wants a lead of a programmer that goes elsewhere. */
    public static Optional<ProgramLines.Line> programmedAt(NodeCircuit node, Lost lost) {
        return of(node, lost)
                .filter(said -> said.meaning == Meaning.PROGRAMS_ELSEWHERE)
                .flatMap(said -> programmer(node, lost));
    }

    /**
     * A supply that goes on from a part which has it: fed from the same rail.
     *
     * @param isFed whether the pin is one that is fed, so that it is only said once more
     */
    private static Optional<Feed> feedOn(NodeCircuit node, Endpoint pin, Endpoint from, boolean isFed) {
        boolean areSupplies = is(node, pin, PinUse.SUPPLY) && is(node, from, PinUse.SUPPLY);
        return areSupplies && isFed(node, pin) == isFed
                ? railOf(node, from, new HashSet<>(Set.of(pin)))
                        .map(rail -> new Feed(node.node().id(), pin.part(), pin.pin(), rail))
                : Optional.empty();
    }

    private static boolean isFed(NodeCircuit node, Endpoint pin) {
        return node.part(pin.part()).orElseThrow().part().feeds().containsKey(pin.pin());
    }

    /** What feeds a supply pin, by a feed or by wires from pin to pin. */
    private static Optional<Endpoint> railOf(NodeCircuit node, Endpoint pin, Set<Endpoint> seen) {
        if (!seen.add(pin)) {
            return Optional.empty();
        }
        Endpoint fed = node.part(pin.part()).orElseThrow().part().feeds().get(pin.pin());
        return Optional.ofNullable(fed).or(() -> node.lost().stream()
                .filter(lost -> lost.kind() == Lost.Kind.WIRE)
                .flatMap(lost -> otherEnd(lost, pin).stream())
                .flatMap(other -> node.rail(other).isPresent()
                        ? Optional.of(other).stream()
                        : is(node, other, PinUse.SUPPLY)
                                ? railOf(node, other, seen).stream()
                                : Stream.<Endpoint>empty())
                .findFirst());
    }

    private static Optional<Endpoint> otherEnd(Lost wire, Endpoint pin) {
        return wire.at().equals(pin)
                ? Optional.of(wire.to())
                : wire.to().equals(pin) ? Optional.of(wire.at()) : Optional.empty();
    }

    /** What was held, and why, stays so. */
    private static SetWire set(NodeCircuit node, Lost lost, Endpoint from, Endpoint to) {
        Wire said = lost.wire().orElseThrow();
        return new SetWire(node.node().id(), new Wire(from, to, said.held(), said.reason(), said.extras()));
    }

    /** Where the signal itself hung on a rail, the end that is taken for the ground does, with the other one at the pin. */
    private static SaidWire swapped(NodeCircuit node, Lost lost, Endpoint signal) {
        Optional<Feed> onSupply = node.wire(signal)
                .map(Wire::to)
                .filter(rail -> node.rail(rail).isPresent())
                .map(rail -> new Feed(node.node().id(), signal.part(), lost.at().pin(), rail));
        return new SaidWire(lost, Meaning.SWAPPED, Optional.of(set(node, lost, signal, lost.to())), onSupply);
    }

    /** The signal of a bare contact or resistance, whose two ends are alike, where that end goes to ground, a rail or nowhere. */
    private static Optional<Endpoint> otherEnd(NodeCircuit node, Lost lost) {
        return node.part(lost.at().part())
                .filter(contact -> OtherLeg.is(node, lost.at()))
                .flatMap(contact -> contact.cls().signals().findFirst().map(contact::endpoint))
                .filter(signal -> node.wire(signal)
                        .map(Wire::to)
                        .filter(to ->
                                !is(node, to, PinUse.GROUND) && node.rail(to).isEmpty())
                        .isEmpty());
    }

    private static Meaning meaning(NodeCircuit node, Feed feed) {
        Endpoint now = node.part(feed.part()).orElseThrow().part().feeds().get(feed.pin());
        if (now == null) {
            return Meaning.FEED;
        }
        return now.equals(feed.rail()) ? Meaning.FED : Meaning.FED_OTHERWISE;
    }

    private static boolean is(NodeCircuit node, Endpoint end, PinUse use) {
        return node.pin(end).filter(pin -> pin.use() == use).isPresent();
    }

    private static Optional<Feed> feed(NodeCircuit node, Endpoint pin, Endpoint rail) {
        boolean isFed = is(node, pin, PinUse.SUPPLY) || OtherLeg.is(node, pin);
        return isFed && node.rail(rail).isPresent()
                ? Optional.of(new Feed(node.node().id(), pin.part(), pin.pin(), rail))
                : Optional.empty();
    }

    /** Whether what it says is so without it. */
    public boolean isSaidAnyhow() {
        return meaning == Meaning.GROUND || meaning == Meaning.FED || meaning == Meaning.PROGRAMS;
    }

    /** The feed that it stands for; empty where it stands for none. */
    public Optional<Feed> feed() {
        return becomes.filter(Feed.class::isInstance).map(Feed.class::cast);
    }

    /** The signal or the supply pin that it is for; empty where nothing is to be said. */
    public Optional<Endpoint> pin() {
        return becomes.map(edit -> edit instanceof SetWire set
                ? set.wire().from()
                : new Endpoint(((Feed) edit).part(), ((Feed) edit).pin()));
    }

    /** It is there no more, and what it meant is said as it is to be. */
    public List<Edit> asMeant(String node) {
        List<Edit> edits = new ArrayList<>(List.of(new RemoveWire(node, lost.at())));
        becomes.ifPresent(edits::add);
        leg.ifPresent(edits::add);
        return edits;
    }
}
