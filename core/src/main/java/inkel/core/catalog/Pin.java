package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;

/**
 * One pin of a part, in its physical place.
 *
 * @param label what is printed beside it; unique within the part for all but grounds and unused pins
 * @param also other labels found in its place, never null
 * @param number the number that code uses for it, empty when it has none
 * @param row which row of the header it stands in: {@code left}, {@code right} or {@code single}; {@code socket} for
 *     where a cable is plugged in, {@code lead} for the end of a cable
 * @param place its place in that row, from 1 at the marked end
 * @param header the number printed for its place where both rows are counted together, else 0
 * @param wantedWith other pins of the part: where wires end at all of them, this one is wanted whatever its need
 * @param unless another pin of the part: where a wire ends there and none here, this one is not wanted; absent for most
 * @param io the {@link IoFamily} that gives its levels, empty for grounds and supplies
 * @param isTimed whether its edges must come at once, so that nothing reached over a bus will do
 * @param shortest the shortest pulse that it must tell apart; absent where its speed is that of its bus, or none
 * @param upTo the highest frequency in its voltage; absent where that is as slow as a hand, or not told
 * @param inner what stands before a voltage that it gives, as the halves of a divider do; absent where that is next to nothing
 * @param isShared whether several parts may hang on one wire here, since each has an address of its own
 * @param resting what it does before the program has it
 * @param contact what joins it to ground, where the part switches that: the open end of a transistor
 * @param can what it offers to others, empty for most module pins
 */
public record Pin(
        String label,
        List<String> also,
        String number,
        String row,
        int place,
        int header,
        PinUse use,
        Need need,
        List<String> wantedWith,
        Optional<String> unless,
        String io,
        boolean isTimed,
        Optional<TimeSpan> shortest,
        Optional<Frequency> upTo,
        Optional<Resistance> inner,
        boolean isShared,
        Resting resting,
        Optional<Contact> contact,
        List<Ability> can) {
    public Pin {
        also = List.copyOf(also);
        wantedWith = List.copyOf(wantedWith);
        can = List.copyOf(can);
    }

    /** A pin that is not told of in any file: the end of a lead. */
    public static Pin plain(String label, String row, int place, PinUse use, String io) {
        return new Pin(
                label,
                List.of(),
                "",
                row,
                place,
                0,
                use,
                Need.MUST,
                List.of(),
                Optional.empty(),
                io,
                false,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                false,
                Resting.FLOATS,
                Optional.empty(),
                List.of());
    }

    Pin needing(Need other) {
        return with(use, other, io);
    }

    /** The same, used for something else. */
    Pin usedFor(PinUse other) {
        return with(other, need, io);
    }

    /** The same with the levels of a family. */
    Pin of(IoFamily family) {
        return with(use, need, family.name());
    }

    private Pin with(PinUse newUse, Need newNeed, String newIo) {
        return new Pin(
                label,
                also,
                number,
                row,
                place,
                header,
                newUse,
                newNeed,
                wantedWith,
                unless,
                newIo,
                isTimed,
                shortest,
                upTo,
                inner,
                isShared,
                resting,
                contact,
                can);
    }

    /** What stands before the number of a pin in its label. */
    private static final List<String> NUMBERED = List.of("D", "GP", "GPIO");

    /** Whether a cable with a plug goes here, so that no wire of the table does. */
    public boolean isSocket() {
        return row.equals("socket");
    }

    /** No converter that is sold takes more. */
    private static final int MOST_CODE_BITS = 32;

    /** How many bits a code has that sets its voltage; 0 for a pin that no code sets. */
    public int codeBits() {
        return can.stream()
                .filter(ability ->
                        ability.kind() == Ability.Kind.VOLTAGE && ability.line().matches("[0-9]{1,2}"))
                .mapToInt(ability -> Integer.parseInt(ability.line()))
                .filter(bits -> bits <= MOST_CODE_BITS)
                .findFirst()
                .orElse(0);
    }

    /** Whether it is the bare end of a cable, needed only where nothing has a socket for its plug. */
    public boolean isLead() {
        return row.equals("lead");
    }

    /**
     * Whether it serves another part only when the builder says so: the signal of a part that the board usually reads, or
     * what goes on to the next of a chain.
     */
    public boolean servesByChoice() {
        return !can.isEmpty() && (use.isSignal() || can(Ability.Kind.CHAIN));
    }

    /** Whether people call it so, capital letters or small ones. */
    boolean isCalled(String name) {
        return label.equalsIgnoreCase(name)
                || also.stream().anyMatch(other -> !other.isEmpty() && other.equalsIgnoreCase(name))
                || !number.isEmpty() && number.equalsIgnoreCase(name)
                || NUMBERED.stream().anyMatch(before -> label.equalsIgnoreCase(before + name));
    }

    /** Whether the part wants a wire here without being asked. */
    public boolean isWanted() {
        return need != Need.MAY && need != Need.HELD;
    }

    public boolean can(Ability.Kind kind) {
        // Plain loops here and in PartClass: these are asked many thousand times for each assessment.
        for (Ability ability : can) {
            if (ability.kind() == kind) {
                return true;
            }
        }
        return false;
    }

    /** Whether it offers a given line of any unit of a bus: {@code SPI} and {@code sck}. */
    public boolean can(Ability.Kind kind, String line) {
        for (Ability ability : can) {
            if (ability.kind() == kind && ability.line().equals(line)) {
                return true;
            }
        }
        return false;
    }
}
