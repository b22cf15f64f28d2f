package inkel.core.calc;

import inkel.core.formula.I2cAddress;
import inkel.core.quantity.Engineering;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A strapped address in all its forms (I2C-bus specification, addressing). */
final class I2cAddressCalc implements Calculation {
    @Override
    public String name() {
        return "i2c-address";
    }

    @Override
    public List<String> keys() {
        return List.of("base", "bits");
    }

    @Override
    public String example() {
        return "base=0x20 bits=7";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        int address = arguments.whole("base", 0, 0x7F) + arguments.whole("bits", 0, 0x7F);
        if (address > 0x7F) {
            throw arguments.impossible("bits");
        }
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("address", Engineering.address(address));
        answer.put("write8", Engineering.address(address << 1));
        answer.put("read8", Engineering.address(address << 1 | 1));
        answer.put("reserved", I2cAddress.isReserved(address));
        return answer;
    }
}
