package dev.deftchisel.proving.dataflow;

import dev.deftchisel.change.NewSignature;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How members and what is passed to them are told so that before and after can be compared: as they are after the
 * change.
 *
 * @param classes   in which the code stands
 * @param announced by the change
 * @param isAfter   whether the code is that after the change
 * @param back      what each changed method was, by what it is then; as it is written in instructions, so filled on the
 *                  way through the code before
 */
record Perspective(CompiledClasses classes, Announced announced, boolean isAfter,
        Map<Member, Announced.Change> back) {

    static Perspective before(CompiledClasses classes, Announced announced) {
        return new Perspective(classes, announced, false, new HashMap<>());
    }

    Perspective after(CompiledClasses others) {
        return new Perspective(others, announced, true, back);
    }

    /**
     * A method as it is after the change.
     *
     * @param shown   its name and types then
     * @param order   where each parameter then is among those here, or {@link NewSignature#ADDED}
     * @param changed whether it is one that changes
     * @param object  what it is called on then
     */
    record Shown(Member shown, List<Integer> order, boolean changed, NewSignature.CalledOn object) {
    }

    Shown method(Member method) {
        Optional<Announced.Change> change = isAfter ? after(method) : announced.of(method);
        List<Integer> same = IntStream.range(0, method.parameters().size()).boxed().toList();
        if (change.isEmpty()) {
            return new Shown(method, same, false, new NewSignature.CalledOn.Same());
        }
        List<Integer> origins = change.get().origins();
        if (isAfter) {
            boolean isSame = change.get().object() instanceof NewSignature.CalledOn.Same;
            return new Shown(isSame ? method : change.get().now(), IntStream.range(0, origins.size())
                    .mapToObj(i -> origins.get(i) == NewSignature.ADDED ? NewSignature.ADDED : i).toList(), true,
                    new NewSignature.CalledOn.Same());
        }
        back.put(change.get().now(), change.get());
        return new Shown(change.get().now(), origins, true, change.get().object());
    }

    private Optional<Announced.Change> after(Member method) {
        return Optional.ofNullable(back.get(method)).or(() -> classes.resolve(method).map(back::get)
                .filter(change -> !(change.object() instanceof NewSignature.CalledOn.Same)));
    }

    String field(Member field) {
        return field.owner() + "." + classes.captured(field).map(place -> "captured " + place)
                .orElseGet(() -> isAfter ? field.name() : announced.field(field));
    }

    /** What the parameters of a method were before the change, one for each that it has here. */
    List<String> parameters(Member method) {
        Shown shown = method(method);
        return IntStream.range(0, method.parameters().size()).mapToObj(i -> !isAfter || !shown.changed()
                ? shown.object().equals(new NewSignature.CalledOn.Parameter(i)) ? "this" : "parameter " + i
                : origin(back.get(method).origins().get(i), i)).toList();
    }

    private static String origin(int index, int at) {
        return index == NewSignature.ADDED ? NoticedEffects.ADDED + " " + at : index == NewSignature.OBJECT ? "this"
                : "parameter " + index;
    }
}
