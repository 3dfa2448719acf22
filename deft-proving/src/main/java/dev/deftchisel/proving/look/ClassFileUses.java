package dev.deftchisel.proving.look;

import dev.deftchisel.Chisel;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.FieldVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Which files use a member, by the instructions of all class files. Each of those must be among the files in which deft
 * finds a use; it may find more, in documentation and where the compiler puts the value of a constant. Left out are
 * methods that are called where nobody wrote their name: those of resources and of loops (JLS 14.20.3, 14.14.2).
 */
public final class ClassFileUses {

    private static final int API = Opcodes.ASM9;
    private static final Set<String> UNWRITTEN = Set.of("close", "iterator", "hasNext", "next");

    private final Map<String, List<String>> above = new HashMap<>();
    /** By member, from type to the top-level types in which it is called on that. */
    private final Map<Member, Map<String, Set<String>>> uses = new HashMap<>();
    private final List<Declared> declared = new ArrayList<>();

    private record Member(String name, String descriptor) {
    }

    /** @param file its top-level type */
    private record Declared(String owner, String file, Member member) {
    }

    /**
     * What came of it.
     *
     * @param members how many were asked about
     * @param files   in how many files their class files use them
     * @param missed  uses that deft did not find
     */
    public record Found(int members, int files, List<String> missed) {
    }

    /**
     * Asks.
     *
     * @param members how many
     * @param seed    decides which
     */
    public static Found ask(Corpus corpus, int members, long seed) {
        try (Chisel chisel = Chisel.open(corpus.request(), Monitor.SILENT)) {
            ClassFileUses read = new ClassFileUses();
            CompiledCode.of(chisel.snapshot()).classes().values().forEach(read::read);
            return read.compare(chisel, members, new Random(seed));
        }
    }

    private void read(byte[] bytes) {
        new ClassReader(bytes).accept(new Reader(), ClassReader.SKIP_FRAMES);
    }

    private Found compare(Chisel chisel, int members, Random random) {
        Map<String, SourceFile> files = new LinkedHashMap<>();
        chisel.snapshot().files().forEach(file -> topLevel(file).forEach(type -> files.put(type, file)));
        List<Declared> asked = declared.stream().filter(one -> files.containsKey(one.file()))
                .filter(one -> uses.containsKey(one.member()) && !UNWRITTEN.contains(one.member().name()))
                .filter(one -> named(files.get(one.file()), one.member().name()).size() == 1)
                .collect(Collectors.toCollection(ArrayList::new));
        List<String> missed = new ArrayList<>();
        int count = 0;
        int inFiles = 0;
        for (; count < members && !asked.isEmpty(); count++) {
            Declared member = asked.remove(random.nextInt(asked.size()));
            SourceFile file = files.get(member.file());
            Place place = new Place(file.path(), named(file, member.member().name()).get(0).nameRange());
            Set<String> found = chisel.uses(place).map(Uses::all).orElse(List.of()).stream()
                    .flatMap(use -> topLevel(chisel.snapshot().source(use.file())).stream())
                    .collect(Collectors.toSet());
            Set<String> expected = new TreeSet<>();
            uses.get(member.member()).forEach((owner, where) -> {
                if (isBelow(owner, member.owner())) {
                    expected.addAll(where);
                }
            });
            inFiles += expected.size();
            expected.removeAll(found);
            expected.forEach(use -> missed.add(member + " in " + use));
        }
        return new Found(count, inFiles, missed);
    }

    private static List<String> topLevel(SourceFile file) {
        return file.header().types().stream().map(type -> file.header().qualifiedName(type).replace('.', '/')).toList();
    }

    private static List<MemberOutline> named(SourceFile file, String name) {
        return file.outline().members().stream().filter(member -> member.name().equals(name)).toList();
    }

    private boolean isBelow(String type, String wanted) {
        return type.equals(wanted)
                || above.getOrDefault(type, List.of()).stream().anyMatch(next -> isBelow(next, wanted));
    }

    /** Collects what a class declares and uses. */
    private final class Reader extends ClassVisitor {

        private final Set<Member> own = new HashSet<>();
        private String name = "";
        private String file = "";
        private final Collection<String[]> used = new ArrayList<>();

        Reader() {
            super(API);
        }

        @Override
        public void visit(int version, int access, String type, String signature, String superclass,
                String[] interfaces) {
            name = type;
            file = type.replaceFirst("\\$.*", "");
            List<String> all = new ArrayList<>(List.of(interfaces));
            all.add(superclass);
            above.put(type, all);
        }

        @Override
        public MethodVisitor visitMethod(int access, String method, String descriptor, String signature,
                String[] exceptions) {
            if ((access & (Opcodes.ACC_SYNTHETIC | Opcodes.ACC_PRIVATE)) == 0 && method.indexOf('<') < 0) {
                own.add(new Member(method, descriptor));
            }
            return new MethodVisitor(API) {
                @Override
                public void visitMethodInsn(int opcode, String owner, String called, String type,
                        boolean isOfInterface) {
                    used.add(new String[] {owner, called, type});
                }

                @Override
                public void visitFieldInsn(int opcode, String owner, String field, String type) {
                    used.add(new String[] {owner, field, type});
                }

                @Override
                public void visitInvokeDynamicInsn(String called, String type, Handle bootstrap, Object... arguments) {
                    for (Object argument : arguments) {
                        if (argument instanceof Handle handle) {
                            used.add(new String[] {handle.getOwner(), handle.getName(), handle.getDesc()});
                        }
                    }
                }
            };
        }

        @Override
        public FieldVisitor visitField(int access, String field, String descriptor, String signature,
                Object value) {
            if ((access & (Opcodes.ACC_SYNTHETIC | Opcodes.ACC_PRIVATE)) == 0) {
                own.add(new Member(field, descriptor));
            }
            return null;
        }

        @Override
        public void visitEnd() {
            own.forEach(member -> declared.add(new Declared(name, file, member)));
            used.forEach(use -> uses.computeIfAbsent(new Member(use[1], use[2]), key -> new HashMap<>())
                    .computeIfAbsent(use[0], key -> new TreeSet<>()).add(file));
        }
    }
}
