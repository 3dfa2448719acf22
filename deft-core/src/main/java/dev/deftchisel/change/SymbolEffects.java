package dev.deftchisel.change;

import dev.deftchisel.analysis.symbol.SymbolKey;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * What a change does to symbols: everything it does not name must mean the same afterwards.
 *
 * @param names       the new simple name of each symbol that is renamed
 * @param packages    the new name of each package that moves; the types in it move along
 * @param signatures what becomes of each method whose parameters or result change
 * @param opened      what can be used from further away than before (JLS 6.6)
 * @param rewritten   members whose text is written anew, since the user wishes them to do something else
 * @param extended    types that get members; a call may then mean one of these instead of the method that it overrides
 * @param marks       names that nothing has, written where the user has yet to choose a value
 * @param factories   the static method by which objects are made instead of by a constructor
 * @param variables   the erased type (JVMS 4.3.2) that each variable or field has then which gets another one
 * @param freedom     what else the code that is replaced may come to mean, since the user wishes it
 */
public record SymbolEffects(
        Map<SymbolKey, String> names, Map<String, String> packages, Map<SymbolKey, NewSignature> signatures,
        Set<SymbolKey> opened,
        Set<SymbolKey> rewritten, Set<SymbolKey> extended, Set<String> marks, Map<SymbolKey, SymbolKey> factories,
        Map<SymbolKey, String> variables, Leeway freedom) {

    /** What a change may do beyond moving and naming code, the more the later. */
    public enum Leeway {
        /** Nothing. */
        NONE,
        /** Code is written in another form; who asks for it answers for its doing what it should. */
        FORM,
        /** An error is mended: also the types of expressions around may be others. */
        TYPES
    }

    /** Copies the maps. */
    public SymbolEffects {
        names = Map.copyOf(names);
        packages = Map.copyOf(packages);
        signatures = Map.copyOf(signatures);
        opened = Set.copyOf(opened);
        rewritten = Set.copyOf(rewritten);
        extended = Set.copyOf(extended);
        marks = Set.copyOf(marks);
        factories = Map.copyOf(factories);
        variables = Map.copyOf(variables);
    }

    /** New names for symbols and packages. */
    public SymbolEffects(Map<SymbolKey, String> names, Map<String, String> packages) {
        this(names, packages, Map.of(), Set.of(), Set.of(), Set.of(), Set.of(), Map.of(), Map.of(),
                Leeway.NONE);
    }

    /** Other descriptors for methods, of whose parameters nobody says where they were. */
    public static SymbolEffects descriptors(Map<SymbolKey, String> descriptors) {
        Map<SymbolKey, NewSignature> signatures = new HashMap<>();
        descriptors.forEach((key, descriptor) -> signatures.put(key, NewSignature.of(descriptor)));
        return same().with(signatures);
    }

    /** The same, but for methods that get other parameters or results. */
    public SymbolEffects with(Map<SymbolKey, NewSignature> others) {
        return new SymbolEffects(names, packages, others, opened, rewritten, extended, marks, factories, variables,
                freedom);
    }

    /** A change after which every symbol is what it was. */
    public static SymbolEffects same() {
        return new SymbolEffects(Map.of(), Map.of());
    }

    /** The same, but for what can be used from further away. */
    public SymbolEffects opening(Set<SymbolKey> others) {
        return new SymbolEffects(names, packages, signatures, others, rewritten, extended, marks, factories, variables,
                freedom);
    }

    /** The same, but for members that are written anew. */
    public SymbolEffects rewriting(Set<SymbolKey> members) {
        return new SymbolEffects(names, packages, signatures, opened, members, extended, marks, factories, variables,
                freedom);
    }

    /** The same, but for types that get members. */
    public SymbolEffects extending(Set<SymbolKey> types) {
        return new SymbolEffects(names, packages, signatures, opened, rewritten, types, marks, factories, variables,
                freedom);
    }

    /** The same, but for what else may come of the code that is replaced. */
    public SymbolEffects allowing(Leeway more) {
        return new SymbolEffects(names, packages, signatures, opened, rewritten, extended, marks, factories, variables,
                more);
    }

    /** The same with names for what is yet to be chosen. */
    public SymbolEffects marking(Set<String> others) {
        return new SymbolEffects(names, packages, signatures, opened, rewritten, extended, others, factories, variables,
                freedom);
    }

    /** The same, but for objects that static methods make instead of constructors. */
    public SymbolEffects making(Map<SymbolKey, SymbolKey> others) {
        return new SymbolEffects(names, packages, signatures, opened, rewritten, extended, marks, others, variables,
                freedom);
    }

    /** The same, but for variables and fields that get another type. */
    public SymbolEffects retyping(Map<SymbolKey, String> others) {
        return new SymbolEffects(names, packages, signatures, opened, rewritten, extended, marks, factories, others,
                freedom);
    }

    /** What this and a change after it do, of which neither renames the same. */
    public SymbolEffects and(SymbolEffects other) {
        return new SymbolEffects(both(names, other.names), both(packages, other.packages), chained(other.signatures),
                both(opened, other.opened), both(rewritten, other.rewritten), both(extended, other.extended),
                both(marks, other.marks), both(factories, other.factories), both(variables, other.variables),
                freedom.compareTo(other.freedom) > 0 ? freedom : other.freedom);
    }

    /** A method that gets other parameters twice goes from its first to its last. */
    private Map<SymbolKey, NewSignature> chained(Map<SymbolKey, NewSignature> later) {
        Map<SymbolKey, NewSignature> all = new HashMap<>(later);
        signatures.forEach((key, first) -> {
            NewSignature last = key instanceof SymbolKey.Method method
                    ? all.remove(new SymbolKey.Method(method.owner(), method.name(), first.descriptor())) : null;
            all.put(key, last == null ? first : last.after(first));
        });
        return all;
    }

    private static <K, V> Map<K, V> both(Map<K, V> one, Map<K, V> other) {
        Map<K, V> both = new HashMap<>(one);
        both.putAll(other);
        return both;
    }

    private static <T> Set<T> both(Set<T> one, Set<T> other) {
        Set<T> both = new HashSet<>(one);
        both.addAll(other);
        return both;
    }

    /** The binary name that a type has afterwards. */
    String binaryName(String before) {
        int nested = before.lastIndexOf('$');
        int packageEnd = before.lastIndexOf('.');
        if (nested > packageEnd + 1) {
            String outer = binaryName(before.substring(0, nested));
            return outer + "$" + names.getOrDefault(new SymbolKey.Type(before), before.substring(nested + 1));
        }
        String home = packageEnd < 0 ? "" : before.substring(0, packageEnd);
        String name = names.getOrDefault(new SymbolKey.Type(before), before.substring(packageEnd + 1));
        String newHome = packages.getOrDefault(home, home);
        return newHome.isEmpty() ? name : newHome + "." + name;
    }

    /** The descriptor that a member has afterwards: each type name in it replaced (JVMS 4.3). */
    public String descriptor(String before) {
        if (names.isEmpty() && packages.isEmpty()) {
            return before;
        }
        StringBuilder after = new StringBuilder();
        int at = 0;
        while (at < before.length()) {
            char c = before.charAt(at++);
            after.append(c);
            if (c == 'L') {
                int end = before.indexOf(';', at);
                after.append(binaryName(before.substring(at, end))).append(';');
                at = end + 1;
            }
        }
        return after.toString();
    }
}
