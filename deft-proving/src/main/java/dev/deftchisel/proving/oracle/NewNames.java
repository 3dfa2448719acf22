package dev.deftchisel.proving.oracle;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.SymbolEffects;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.commons.Remapper;

/**
 * What class files must read after one rename: what the change says it renames, applied to names in class files. Types,
 * members and packages are mapped; locals, labels and type parameters leave at most traces, see {@link #traces}.
 */
final class NewNames extends Remapper {

    private static final Pattern ANONYMOUS = Pattern.compile("\\$\\d+$");

    private final Map<String, String> packages;
    private final Map<String, String> types = new HashMap<>();
    /** What a type belongs to then, by its internal name. */
    private final Map<String, SymbolKey> owners = new HashMap<>();
    private final Map<ClassIndex.Member, String> members = new HashMap<>();
    private final Set<String> traces = new HashSet<>();
    private final Set<String> words = new HashSet<>();
    private final ClassIndex index;

    /**
     * @param meaning  of the rename
     * @param oldNames the former simple names of symbols that have no name in class files
     * @param index    of the classes before it
     */
    NewNames(SymbolEffects meaning, Map<SymbolKey, String> oldNames, ClassIndex index) {
        super(Opcodes.ASM9);
        this.index = index;
        this.packages = new TreeMap<>();
        meaning.packages().forEach((from, to) -> packages.put(from.replace('.', '/'), to.replace('.', '/')));
        meaning.owners().forEach((key, owner) -> {
            if (key instanceof SymbolKey.Type type) {
                owners.put(type.binaryName().replace('.', '/'), owner);
                words.add(type.simpleName());
            }
        });
        meaning.names().forEach((key, newName) -> {
            String oldName = oldNames.getOrDefault(key, "");
            words.add(oldName);
            note(key, newName, oldName);
        });
    }

    private void note(SymbolKey key, String newName, String oldName) {
        if (key instanceof SymbolKey.Type type) {
            String internal = type.binaryName().replace('.', '/');
            int simple = Math.max(internal.lastIndexOf('/'), internal.lastIndexOf('$')) + 1;
            types.put(internal, internal.substring(0, simple) + newName);
        } else if (key instanceof SymbolKey.LocalType) {
            localType(oldName, newName);
        } else if (key instanceof SymbolKey.Field field) {
            owner(field.owner()).ifPresent(owner -> members.put(new ClassIndex.Member(owner, field.name(), ""),
                    newName));
            noteLocalOwner(field.owner(), field.name(), newName);
        } else if (key instanceof SymbolKey.Method method) {
            owner(method.owner()).ifPresent(owner ->
                    members.put(new ClassIndex.Member(owner, method.name(), slashed(method.descriptor())), newName));
            noteLocalOwner(method.owner(), method.name(), newName);
        } else {
            traces.add(oldName);
            traces.add(newName);
        }
    }

    private static Optional<String> owner(SymbolKey key) {
        return key instanceof SymbolKey.Type type ? Optional.of(type.binaryName().replace('.', '/')) : Optional.empty();
    }

    private static String slashed(String descriptor) {
        return descriptor.replace('.', '/');
    }

    /**
     * A member of a local or anonymous class: the class file does not tell which declaration it came from, so here the
     * old name and the new one count as one word.
     */
    private void noteLocalOwner(SymbolKey owner, String name, String newName) {
        if (owner instanceof SymbolKey.LocalType) {
            traces.add(name);
            traces.add(newName);
        }
    }

    /**
     * A local class is called {@code Outer$1Name}: the only one of its name can be found, others are left to traces.
     */
    private void localType(String oldName, String newName) {
        List<String> found = new ArrayList<>();
        for (String name : index.names()) {
            if (name.matches(".*\\$\\d+" + Pattern.quote(oldName))) {
                found.add(name);
            }
        }
        if (found.size() == 1) {
            String internal = found.get(0);
            types.put(internal, internal.substring(0, internal.length() - oldName.length()) + newName);
        } else {
            traces.add(oldName);
            traces.add(newName);
        }
    }

    /** Whether the class file can hold one of the names at all; most do not, and need not be rewritten. */
    boolean canTouch(byte[] bytes) {
        String content = new String(bytes, StandardCharsets.ISO_8859_1);
        return packages.keySet().stream().anyMatch(content::contains)
                || words.stream().anyMatch(content::contains);
    }

    /** Names of which class files hold only traces that cannot be told apart, such as that of a captured variable. */
    Set<String> traces() {
        return traces;
    }

    ClassIndex.Member member(ClassIndex.Member member) {
        String name = member.descriptor().isEmpty()
                ? mapFieldName(member.owner(), member.name(), "")
                : mapMethodName(member.owner(), member.name(), member.descriptor());
        return new ClassIndex.Member(map(member.owner()), name,
                member.descriptor().isEmpty() ? "" : mapMethodDesc(member.descriptor()));
    }

    /** The new name of an enum constant that is declared in this class. */
    Optional<String> constant(String owner, String name) {
        return Optional.ofNullable(members.get(new ClassIndex.Member(owner, name, "")));
    }

    @Override
    public String map(String internalName) {
        SymbolKey owner = owners.get(internalName);
        if (owner != null) {
            return place(owner) + internalName.substring(Math.max(internalName.lastIndexOf('/'),
                    internalName.lastIndexOf('$')) + 1);
        }
        String renamed = types.get(internalName);
        int nested = internalName.lastIndexOf('$');
        int packageEnd = internalName.lastIndexOf('/');
        if (nested > packageEnd + 1) {
            String simple = renamed == null ? internalName.substring(nested)
                    : renamed.substring(renamed.lastIndexOf('$'));
            return map(internalName.substring(0, nested)) + simple;
        }
        String simple = (renamed == null ? internalName : renamed).substring(packageEnd + 1);
        String home = packageEnd < 0 ? "" : internalName.substring(0, packageEnd);
        String newHome = packages.getOrDefault(home, home);
        return newHome.isEmpty() ? simple : newHome + "/" + simple;
    }

    /** What stands before the simple name of a type that moves. */
    private String place(SymbolKey owner) {
        if (owner instanceof SymbolKey.Type outer) {
            return map(outer.binaryName().replace('.', '/')) + "$";
        }
        String home = ((SymbolKey.Package) owner).name();
        return home.isEmpty() ? "" : home.replace('.', '/') + "/";
    }

    @Override
    public String mapFieldName(String owner, String name, String descriptor) {
        if (name.startsWith("$SwitchMap$")) {
            return switchMap(name);
        }
        return index.resolve(new ClassIndex.Member(owner, name, ""))
                .map(members::get)
                .orElse(name);
    }

    /** The table after a {@code switch} over an enum is named after it, with {@code $} for every separator. */
    private String switchMap(String name) {
        String enumName = name.substring("$SwitchMap$".length());
        return index.names().stream()
                .filter(known -> known.replace('/', '$').equals(enumName))
                .findFirst()
                .map(known -> "$SwitchMap$" + map(known).replace('/', '$'))
                .orElse(name);
    }

    @Override
    public String mapRecordComponentName(String owner, String name, String descriptor) {
        return mapFieldName(owner, name, "");
    }

    @Override
    public String mapMethodName(String owner, String name, String descriptor) {
        if (name.startsWith("<")) {
            return name;
        }
        ClassIndex.Member reference = new ClassIndex.Member(owner, name, descriptor);
        Optional<ClassIndex.Member> declared = index.resolve(reference);
        String renamed = declared.map(members::get).orElse(null);
        if (renamed == null && declared.isPresent()) {
            renamed = ofOverridden(declared.get()).orElse(null);
        }
        return renamed == null ? name : renamed;
    }

    /**
     * The new name of a method that the change does not list, since it has no declaration of its own there: a bridge,
     * or a method of an anonymous class, which is known as the one that it overrides.
     */
    private Optional<String> ofOverridden(ClassIndex.Member method) {
        if (index.isBridge(method)) {
            return renamedAbove(method);
        }
        if (!ANONYMOUS.matcher(method.owner()).find()) {
            return Optional.empty();
        }
        // with type arguments it overrides by way of a bridge
        return renamedAbove(method).or(() -> index.bridges(method.owner(), method.name()).stream()
                .map(this::renamedAbove)
                .flatMap(Optional::stream)
                .findFirst());
    }

    private Optional<String> renamedAbove(ClassIndex.Member method) {
        return index.above(method).stream().map(members::get).filter(known -> known != null).findFirst();
    }

    @Override
    public String mapAnnotationAttributeName(String descriptor, String name) {
        String owner = descriptor.substring(1, descriptor.length() - 1);
        Map<String, String> byName = new LinkedHashMap<>();
        members.forEach((member, newName) -> {
            if (member.owner().equals(owner) && !member.descriptor().isEmpty()) {
                byName.put(member.name(), newName);
            }
        });
        return byName.getOrDefault(name, name);
    }
}
