package dev.deftchisel.proving.dataflow;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.proving.oracle.Rename;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** What some changes, one after the other, say becomes of methods and fields, in the words of class files. */
final class Announced {

    private final CompiledClasses before;
    private final Map<Member, Change> methods = new HashMap<>();
    /** By owner and name; the descriptor of a field stays. */
    private final Map<Member, String> fields = new HashMap<>();

    /**
     * What becomes of a method.
     *
     * @param now     what it is then
     * @param origins for each parameter then the index of the one that it was, or what there is besides
     * @param object  what it is called on then
     */
    record Change(Member now, List<Integer> origins, NewSignature.CalledOn object) {

        Change at(String owner) {
            return object instanceof NewSignature.CalledOn.Same ? new Change(now.at(owner), origins, object) : this;
        }
    }

    private Announced(CompiledClasses before) {
        this.before = before;
    }

    static Announced of(List<Rename> changes, CompiledClasses before) {
        Announced announced = new Announced(before);
        changes.forEach(announced::add);
        return announced;
    }

    private void add(Rename change) {
        Set<SymbolKey> all = new LinkedHashSet<>(change.meaning().signatures().keySet());
        all.addAll(change.meaning().names().keySet());
        for (SymbolKey key : all) {
            if (key instanceof SymbolKey.Method method && method.owner() instanceof SymbolKey.Type owner) {
                add(new Member(internal(owner), method.name(), method.descriptor().replace('.', '/')), change, key);
            } else if (key instanceof SymbolKey.Field field && field.owner() instanceof SymbolKey.Type owner) {
                fields.put(new Member(internal(owner), field.name(), ""), change.meaning().names().get(key));
            }
        }
    }

    private static String internal(SymbolKey.Type type) {
        return type.binaryName().replace('.', '/');
    }

    private void add(Member method, Rename change, SymbolKey key) {
        Member first = methods.entrySet().stream().filter(one -> one.getValue().now().equals(method))
                .map(Map.Entry::getKey).findFirst().orElse(method);
        int count = method.parameters().size();
        Optional<NewSignature> signature = Optional.ofNullable(change.meaning().signatures().get(key));
        List<Integer> same = IntStream.range(0, count).boxed().toList();
        List<Integer> origins = signature.flatMap(NewSignature::origins).orElse(same);
        List<Integer> earlier = Optional.ofNullable(methods.get(first)).map(Change::origins).orElse(same);
        Member now = new Member(method.owner(), change.meaning().names().getOrDefault(key, method.name()),
                signature.map(NewSignature::descriptor).map(one -> one.replace('.', '/')).orElse(method.descriptor()));
        methods.put(first, new Change(now, origins.stream().map(index -> index < 0 ? index : earlier.get(index))
                .toList(), signature.map(NewSignature::object).filter(object -> !(object instanceof
                NewSignature.CalledOn.Same)).or(() -> Optional.ofNullable(methods.get(first)).map(Change::object))
                .orElse(new NewSignature.CalledOn.Same())));
    }

    /** The name that a field gets. */
    String field(Member field) {
        return before.line(field.owner()).stream().map(owner -> fields.get(new Member(owner, field.name(), "")))
                .filter(name -> name != null).findFirst().orElse(field.name());
    }

    /** What becomes of a method that is called or declared, with all that the compiler passes besides. */
    Optional<Change> of(Member method) {
        if (method.isConstructor()) {
            return constructor(method);
        }
        Member declared = before.resolve(method).orElse(method);
        return Optional.ofNullable(methods.get(declared)).or(() -> CompiledClasses.isLocal(declared.owner())
                ? overridden(declared) : Optional.empty()).map(change -> change.at(method.owner()));
    }

    /** A method of a class in a body goes with the one that it overrides. */
    private Optional<Change> overridden(Member method) {
        int count = method.parameters().size();
        return methods.entrySet().stream()
                .filter(one -> one.getKey().name().equals(method.name())
                        && one.getKey().parameters().size() == count && before.line(method.owner()).contains(
                                one.getKey().owner())
                        && (one.getKey().descriptor().equals(method.descriptor())
                                || before.method(one.getKey().at(method.owner())).isPresent()))
                .map(Map.Entry::getValue).findFirst()
                .map(change -> new Change(new Member(method.owner(), change.now().name(),
                        descriptor(method, change)), change.origins(), change.object()));
    }

    private static String descriptor(Member method, Change change) {
        List<String> old = method.parameters();
        List<String> now = change.now().parameters();
        return IntStream.range(0, now.size()).mapToObj(i -> change.origins().get(i) == NewSignature.ADDED ? now.get(i)
                : old.get(change.origins().get(i))).collect(Collectors.joining("", "(", ")"))
                + method.descriptor().substring(method.descriptor().indexOf(')') + 1);
    }

    /** Constructors also get the name and number of an enum constant, the object around, and captured variables. */
    private Optional<Change> constructor(Member method) {
        Change exact = methods.get(method);
        if (exact != null) {
            return Optional.of(exact);
        }
        List<String> all = method.parameters();
        String outer = "L" + method.owner().replaceFirst("\\$[^$]*$", "") + ";";
        boolean isEnum = before.line(method.owner()).stream().map(before.all()::get)
                .anyMatch(type -> "java/lang/Enum".equals(type.superName));
        int ahead = isEnum ? 2 : !all.isEmpty() && all.get(0).equals(outer) ? 1 : 0;
        return methods.entrySet().stream().filter(one -> one.getKey().isConstructor()
                && one.getKey().owner().equals(method.owner())
                && one.getKey().parameters().size() == all.size() - ahead
                && one.getKey().parameters().equals(all.subList(ahead, all.size())))
                .findFirst().map(one -> shifted(method, one.getValue(), ahead));
    }

    private static Change shifted(Member method, Change change, int ahead) {
        List<Integer> origins = new ArrayList<>(IntStream.range(0, ahead).boxed().toList());
        change.origins().forEach(index -> origins.add(index < 0 ? index : index + ahead));
        String front = String.join("", method.parameters().subList(0, ahead));
        return new Change(new Member(method.owner(), "<init>", "(" + front + change.now().descriptor().substring(1)),
                List.copyOf(origins), change.object());
    }

    /** The methods that are changed. */
    Set<Member> methods() {
        return methods.keySet();
    }
}
