package dev.deftchisel.change;

import dev.deftchisel.analysis.symbol.SymbolKey;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a change does to symbols: everything it does not name must mean the same afterwards.
 *
 * @param symbols   what each symbol is afterwards that is named, placed or typed otherwise
 * @param opened    what can be used from further away than before (JLS 6.6)
 * @param rewritten members whose text is written anew, since the user wishes them to do something else
 * @param extended  types that get members; a call may then mean one of these instead of the method that it overrides
 * @param marks     names that nothing has, written where the user has yet to choose a value
 * @param factories the static method by which objects are made instead of by a constructor
 * @param freedom   what else the code that is replaced may come to mean, since the user wishes it
 */
public record SymbolEffects(
        SymbolMap symbols, Set<SymbolKey> opened, Set<SymbolKey> rewritten, Set<SymbolKey> extended,
        Set<String> marks, Map<SymbolKey, SymbolKey> factories, Leeway freedom) {

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
        opened = Set.copyOf(opened);
        rewritten = Set.copyOf(rewritten);
        extended = Set.copyOf(extended);
        marks = Set.copyOf(marks);
        factories = Map.copyOf(factories);
    }

    /** Symbols that are others afterwards, and nothing else. */
    public SymbolEffects(SymbolMap symbols) {
        this(symbols, Set.of(), Set.of(), Set.of(), Set.of(), Map.of(), Leeway.NONE);
    }

    /** New names for symbols and packages. */
    public SymbolEffects(Map<SymbolKey, String> names, Map<String, String> packages) {
        this(SymbolMap.NONE.named(names).inPackages(packages));
    }

    /** Other descriptors for methods, of whose parameters nobody says where they were. */
    public static SymbolEffects descriptors(Map<SymbolKey, String> descriptors) {
        Map<SymbolKey, NewSignature> signatures = new HashMap<>();
        descriptors.forEach((key, descriptor) -> signatures.put(key, NewSignature.of(descriptor)));
        return same().with(signatures);
    }

    /** A change after which every symbol is what it was. */
    public static SymbolEffects same() {
        return new SymbolEffects(SymbolMap.NONE);
    }

    private SymbolEffects with(SymbolMap others) {
        return new SymbolEffects(others, opened, rewritten, extended, marks, factories, freedom);
    }

    /** The same, but for methods that get other parameters or results. */
    public SymbolEffects with(Map<SymbolKey, NewSignature> others) {
        return with(symbols.signed(others));
    }

    /** The same, but for variables and fields that get another type. */
    public SymbolEffects retyping(Map<SymbolKey, String> others) {
        return with(symbols.typed(others));
    }

    /** The same, but for types and members that move to other packages and types. */
    public SymbolEffects owning(Map<SymbolKey, SymbolKey> others) {
        return with(symbols.ownedBy(others));
    }

    /** The same, but for what can be used from further away. */
    public SymbolEffects opening(Set<SymbolKey> others) {
        return new SymbolEffects(symbols, others, rewritten, extended, marks, factories, freedom);
    }

    /** The same, but for members that are written anew. */
    public SymbolEffects rewriting(Set<SymbolKey> members) {
        return new SymbolEffects(symbols, opened, members, extended, marks, factories, freedom);
    }

    /** The same, but for types that get members. */
    public SymbolEffects extending(Set<SymbolKey> types) {
        return new SymbolEffects(symbols, opened, rewritten, types, marks, factories, freedom);
    }

    /** The same, but for what else may come of the code that is replaced. */
    public SymbolEffects allowing(Leeway more) {
        return new SymbolEffects(symbols, opened, rewritten, extended, marks, factories, more);
    }

    /** The same with names for what is yet to be chosen. */
    public SymbolEffects marking(Set<String> others) {
        return new SymbolEffects(symbols, opened, rewritten, extended, others, factories, freedom);
    }

    /** The same, but for objects that static methods make instead of constructors. */
    public SymbolEffects making(Map<SymbolKey, SymbolKey> others) {
        return new SymbolEffects(symbols, opened, rewritten, extended, marks, others, freedom);
    }

    /** The new simple name of each symbol that is renamed. */
    public Map<SymbolKey, String> names() {
        return symbols.names();
    }

    /** The new name of each package that moves. */
    public Map<String, String> packages() {
        return symbols.packages();
    }

    /** The new owner of each type or member that moves. */
    public Map<SymbolKey, SymbolKey> owners() {
        return symbols.owners();
    }

    /** What becomes of each method whose parameters or result change. */
    public Map<SymbolKey, NewSignature> signatures() {
        return symbols.signatures();
    }

    /** The erased type of each variable that gets another one. */
    public Map<SymbolKey, String> variables() {
        return symbols.variables();
    }

    /** What a descriptor reads afterwards. */
    public String descriptor(String before) {
        return symbols.descriptor(before);
    }

    /** What this and a change after it do, of which neither renames the same. */
    public SymbolEffects and(SymbolEffects other) {
        return new SymbolEffects(symbols.and(other.symbols), both(opened, other.opened),
                both(rewritten, other.rewritten), both(extended, other.extended), both(marks, other.marks),
                SymbolMap.both(factories, other.factories),
                freedom.compareTo(other.freedom) > 0 ? freedom : other.freedom);
    }

    private static <T> Set<T> both(Set<T> one, Set<T> other) {
        Set<T> both = new HashSet<>(one);
        both.addAll(other);
        return both;
    }

    /**
     * What symbols are after a change that were something else before.
     *
     * @param names      the new simple name of each symbol that is renamed
     * @param packages   the new name of each package that moves; the types in it move along
     * @param owners     the package or type that each type or member belongs to which moves alone; a type as it was
     *                   called before, a package as it is called then
     * @param signatures what becomes of each method whose parameters or result change
     * @param variables  the erased type (JVMS 4.3.2) that each variable or field has then which gets another one
     */
    public record SymbolMap(
            Map<SymbolKey, String> names, Map<String, String> packages, Map<SymbolKey, SymbolKey> owners,
            Map<SymbolKey, NewSignature> signatures, Map<SymbolKey, String> variables) {

        /** Every symbol is what it was. */
        public static final SymbolMap NONE = new SymbolMap(Map.of(), Map.of(), Map.of(), Map.of(), Map.of());

        /** Copies the maps. */
        public SymbolMap {
            names = Map.copyOf(names);
            packages = Map.copyOf(packages);
            owners = Map.copyOf(owners);
            signatures = Map.copyOf(signatures);
            variables = Map.copyOf(variables);
        }

        /** The same, but for names. */
        public SymbolMap named(Map<SymbolKey, String> others) {
            return new SymbolMap(others, packages, owners, signatures, variables);
        }

        /** The same, but for packages. */
        public SymbolMap inPackages(Map<String, String> others) {
            return new SymbolMap(names, others, owners, signatures, variables);
        }

        /** The same, but for owners. */
        public SymbolMap ownedBy(Map<SymbolKey, SymbolKey> others) {
            return new SymbolMap(names, packages, others, signatures, variables);
        }

        /** The same, but for signatures. */
        public SymbolMap signed(Map<SymbolKey, NewSignature> others) {
            return new SymbolMap(names, packages, owners, others, variables);
        }

        /** The same, but for types of variables. */
        public SymbolMap typed(Map<SymbolKey, String> others) {
            return new SymbolMap(names, packages, owners, signatures, others);
        }

        /** What a symbol is that its key tells without a place. */
        public SymbolKey key(SymbolKey before) {
            if (before instanceof SymbolKey.Type type) {
                return new SymbolKey.Type(binaryName(type.binaryName()));
            } else if (before instanceof SymbolKey.Field field) {
                return new SymbolKey.Field(key(owners.getOrDefault(field, field.owner())),
                        names.getOrDefault(field, field.name()));
            } else if (before instanceof SymbolKey.Method method) {
                String descriptor = Optional.ofNullable(signatures.get(method)).map(NewSignature::descriptor)
                        .orElse(method.descriptor());
                return new SymbolKey.Method(key(owners.getOrDefault(method, method.owner())),
                        names.getOrDefault(method, method.name()), descriptor(descriptor));
            } else if (before instanceof SymbolKey.Package home) {
                return new SymbolKey.Package(packages.getOrDefault(home.name(), home.name()));
            } else if (before instanceof SymbolKey.Module module) {
                return new SymbolKey.Module(names.getOrDefault(module, module.name()));
            }
            return before;
        }

        /** The binary name that a type has afterwards (JLS 13.1). */
        String binaryName(String before) {
            SymbolKey.Type type = new SymbolKey.Type(before);
            int nested = before.lastIndexOf('$');
            int packageEnd = before.lastIndexOf('.');
            boolean isNested = nested > packageEnd + 1;
            String name = names.getOrDefault(type, before.substring((isNested ? nested : packageEnd) + 1));
            SymbolKey owner = owners.get(type);
            if (owner instanceof SymbolKey.Type outer) {
                return binaryName(outer.binaryName()) + "$" + name;
            } else if (isNested && owner == null) {
                return binaryName(before.substring(0, nested)) + "$" + name;
            }
            String home = packageEnd < 0 ? "" : before.substring(0, packageEnd);
            String newHome = owner instanceof SymbolKey.Package other ? other.name()
                    : packages.getOrDefault(home, home);
            return newHome.isEmpty() ? name : newHome + "." + name;
        }

        /** The descriptor that a member has afterwards: each type name in it replaced (JVMS 4.3). */
        String descriptor(String before) {
            if (names.isEmpty() && packages.isEmpty() && owners.isEmpty()) {
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

        private SymbolMap and(SymbolMap later) {
            return new SymbolMap(both(names, later.names), both(packages, later.packages),
                    both(owners, later.owners), chained(later.signatures), both(variables, later.variables));
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
    }
}
