package dev.deftchisel.proving.oracle;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.FieldVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Which members the classes declare, and what a member is that an instruction names by its owner (JVMS 5.4.3): the
 * owner may only inherit it.
 */
public final class ClassIndex {

    private final Map<String, Outline> outlines;
    /** Worked out once for each class, since every instruction asks. */
    private final Map<String, Set<String>> lines = new HashMap<>();

    private ClassIndex(Map<String, Outline> outlines) {
        this.outlines = outlines;
    }

    /**
     * A member.
     *
     * @param owner      internal name of a class (JVMS 4.2.1)
     * @param descriptor empty for a field, which is known by its name
     */
    public record Member(String owner, String name, String descriptor) {
    }

    /**
     * What is known of a class.
     *
     * @param supers  superclass and interfaces, internal names
     * @param members those declared, each with its access flags
     */
    record Outline(List<String> supers, Map<Member, Integer> members) {
    }

    /** Reads what the class files declare. */
    public static ClassIndex of(Collection<byte[]> classes) {
        Map<String, Outline> outlines = new HashMap<>();
        for (byte[] bytes : classes) {
            Reader reader = new Reader();
            new ClassReader(bytes).accept(reader, ClassReader.SKIP_CODE | ClassReader.SKIP_DEBUG);
            outlines.put(reader.name, new Outline(List.copyOf(reader.supers), reader.members));
        }
        return new ClassIndex(outlines);
    }

    /** The same index under other names. */
    ClassIndex renamed(NewNames names) {
        Map<String, Outline> renamed = new HashMap<>();
        outlines.forEach((name, outline) -> {
            Map<Member, Integer> members = new LinkedHashMap<>();
            outline.members().forEach((member, access) -> members.put(names.member(member), access));
            renamed.put(names.map(name), new Outline(outline.supers().stream().map(names::map).toList(), members));
        });
        return new ClassIndex(renamed);
    }

    boolean contains(String owner) {
        return outlines.containsKey(owner);
    }

    Set<String> names() {
        return outlines.keySet();
    }

    /** The declaration that a reference means: the first on the way up, classes before interfaces. */
    public Optional<Member> resolve(Member reference) {
        return line(reference.owner()).stream()
                .map(owner -> new Member(owner, reference.name(), reference.descriptor()))
                .filter(member -> outlines.get(member.owner()).members().containsKey(member))
                .findFirst();
    }

    /** Every declaration of the same name and descriptor in the class and above it. */
    List<Member> above(Member member) {
        return line(member.owner()).stream()
                .map(owner -> new Member(owner, member.name(), member.descriptor()))
                .filter(candidate -> outlines.get(candidate.owner()).members().containsKey(candidate))
                .toList();
    }

    /** Whether a known class or interface inherits from both of two. */
    boolean joins(String one, String other) {
        return outlines.keySet().stream().anyMatch(name -> {
            Set<String> above = new HashSet<>();
            line(name).forEach(owner -> above.addAll(outlines.get(owner).supers()));
            return above.contains(one) && above.contains(other);
        });
    }

    /** The bridges of this name that a class declares. */
    List<Member> bridges(String owner, String name) {
        return outlines.get(owner).members().keySet().stream()
                .filter(member -> member.name().equals(name) && isBridge(member))
                .toList();
    }

    boolean isBridge(Member member) {
        Outline outline = outlines.get(member.owner());
        return outline != null && (outline.members().getOrDefault(member, 0) & Opcodes.ACC_BRIDGE) != 0;
    }

    /** The class and all known ones above it, nearest first. */
    public Set<String> line(String owner) {
        Set<String> known = lines.get(owner);
        if (known == null) {
            known = climb(owner);
            lines.put(owner, known);
        }
        return known;
    }

    private Set<String> climb(String owner) {
        Set<String> seen = new LinkedHashSet<>();
        List<String> open = List.of(owner);
        while (!open.isEmpty()) {
            List<String> next = open.stream()
                    .filter(outlines::containsKey)
                    .filter(seen::add)
                    .flatMap(name -> outlines.get(name).supers().stream())
                    .toList();
            open = next;
        }
        return seen;
    }

    private static final class Reader extends ClassVisitor {

        private final Set<String> supers = new LinkedHashSet<>();
        private final Map<Member, Integer> members = new LinkedHashMap<>();
        private String name;

        Reader() {
            super(Opcodes.ASM9);
        }

        @Override
        public void visit(int version, int access, String name, String signature, String superName,
                String[] interfaces) {
            this.name = name;
            if (superName != null) {
                supers.add(superName);
            }
            supers.addAll(List.of(interfaces));
        }

        @Override
        public FieldVisitor visitField(int access, String name, String descriptor, String signature, Object value) {
            members.put(new Member(this.name, name, ""), access);
            return null;
        }

        @Override
        public MethodVisitor visitMethod(
                int access, String name, String descriptor, String signature, String[] exceptions) {
            members.put(new Member(this.name, name, descriptor), access);
            return null;
        }
    }
}
