package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How a part sits on an I2C bus.
 *
 * @param addresses every 7-bit address that it can be given, rising; never empty
 * @param shipped the one it has as it comes
 * @param others further addresses it answers to: all-call, memory
 * @param traffic what common code sends to and fro; absent where that is next to nothing
 */
public record I2cNeed(
        List<Address> addresses, int shipped, List<Integer> others, Frequency clockMax, Optional<Traffic> traffic) {
    public I2cNeed {
        addresses = List.copyOf(addresses);
        others = List.copyOf(others);
    }

    /**
     * One address, and how its strap pins are tied for it.
     *
     * @param straps by the label of the pin; empty where it is chosen on the part, by a bridge or a switch
     */
    public record Address(int value, Map<String, Strap> straps) {
        public Address {
            straps = Collections.unmodifiableMap(new LinkedHashMap<>(straps));
        }
    }

    /** What a strap pin is tied to. */
    public enum Strap {
        LOW,
        HIGH,
        /** To the part's own data wire. */
        SDA,
        /** To the part's own clock wire. */
        SCL
    }

    /**
     * @param bytes how many go over the bus each time, its address left out
     * @param polls how often
     */
    public record Traffic(int bytes, Frequency polls) {}

    /** Every address it can be given, rising. */
    public List<Integer> choices() {
        return addresses.stream().map(Address::value).toList();
    }

    /** How the strap pins are tied for an address; empty for one that it cannot be given. */
    public Optional<Address> address(int value) {
        return addresses.stream().filter(address -> address.value() == value).findFirst();
    }

    /** Whether its address is chosen by ties of pins. */
    public boolean isStrapped() {
        return !addresses.get(addresses.size() - 1).straps().isEmpty();
    }

    /** The pins whose tie chooses the address, in order; none where it is chosen on the part. */
    public List<String> strapPins() {
        return addresses.stream()
                .flatMap(address -> address.straps().keySet().stream())
                .distinct()
                .toList();
    }
}
