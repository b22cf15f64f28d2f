package inkel.core.tune.radio;

import inkel.core.formula.PacketAir;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * What one radio of an ether really does otherwise than its line says: to be found by sending.
 *
 * @param station the number of the station that it is planted at
 */
public record EtherTrouble(int station, Kind kind) {
    /** What its program does. */
    public enum Kind {
        CHANNEL,
        RATE,
        CHECK,
        LENGTH,
        /** Its last address byte is another one. */
        ADDRESS,
        /** It writes addresses the lowest byte first where the others do not. */
        ORDER,
        NO_ANSWER,
        /** It hears on the pipe that its answers come in by. */
        PIPE_ZERO
    }

    /** One that shows: some packet fares otherwise by it. Empty for radios that nothing is sent between. */
    public static Optional<EtherTrouble> of(RadioNet net, long seed) {
        List<EtherTrouble> all = new ArrayList<>();
        for (End end : net.ends()) {
            for (Kind kind : Kind.values()) {
                all.add(new EtherTrouble(end.station().number(), kind));
            }
        }
        Collections.shuffle(all, new Random(seed));
        return net.isLongRange()
                ? Optional.empty()
                : all.stream().filter(trouble -> trouble.shows(net)).findFirst();
    }

    private boolean shows(RadioNet net) {
        return net.ends().stream().anyMatch(from -> net.ends().stream()
                .filter(to -> net.isMeant(from, to))
                .anyMatch(to -> !Ether.send(net, from, to, Optional.of(this))
                        .equals(Ether.send(net, from, to, Optional.empty()))));
    }

    /** The radio of a station as it really is. */
    Ether.Radio of(End end) {
        Ether.Radio said = Ether.Radio.of(end);
        if (end.station().number() != station) {
            return said;
        }
        List<Integer> address = new ArrayList<>(said.address());
        if (kind == Kind.ADDRESS) {
            int last = address.size() - 1;
            address.set(last, address.get(last) ^ 1);
        }
        return new Ether.Radio(
                said.name(),
                kind == Kind.CHANNEL ? said.channel() ^ 1 : said.channel(),
                kind == Kind.RATE ? other(said.rate()) : said.rate(),
                address,
                kind == Kind.CHECK ? (said.check() == 1 ? 2 : 1) : said.check(),
                kind == Kind.LENGTH ? Optional.of(said.payload().orElse(0) % 32 + 1) : said.payload(),
                kind != Kind.NO_ANSWER && said.answers(),
                said.power(),
                said.isBoosted(),
                (kind == Kind.ORDER) != said.isReversed(),
                kind == Kind.PIPE_ZERO || said.takesPipeZero());
    }

    private static PacketAir.Rate other(PacketAir.Rate rate) {
        return rate == PacketAir.Rate.SLOW ? PacketAir.Rate.MIDDLE : PacketAir.Rate.SLOW;
    }
}
