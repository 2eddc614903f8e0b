package taxon.app.store;

import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of proposals. */
@Mapper
interface ProposalMapper {
    record ProposalRow(int id, long baseVersion, String state, String request, String fileName) {}

    record FileRow(byte[] content) {}

    @Select("select coalesce(max(id), 0) + 1 from proposal")
    int nextId();

    @Insert("""
            insert into proposal (id, job_id, base_version, state, request, made_at)
            values (#{id}, #{job}, #{version}, 'OPEN', #{request}, #{at})
            """)
    void add(
            @Param("id") int id,
            @Param("job") int job,
            @Param("version") long version,
            @Param("request") String request,
            @Param("at") String at);

    @Insert("insert into proposal_file (proposal_id, name, content) values (#{id}, #{name}, #{content})")
    void addFile(@Param("id") int id, @Param("name") String name, @Param("content") byte[] content);

    @Select("select content from proposal_file where proposal_id = #{id}")
    Optional<FileRow> file(@Param("id") int id);

    @Select("""
            select id, base_version, state, request, coalesce(name, '') as file_name
            from proposal left join proposal_file on proposal_id = id
            where job_id = #{job} and id = #{id}
            """)
    Optional<ProposalRow> find(@Param("job") int job, @Param("id") int id);

    @Select("""
            select id, base_version, state, request, name as file_name
            from proposal join proposal_file on proposal_id = id
            where job_id = #{job} and json_extract(request, '$.kind') = #{kind}
            order by id desc limit 1
            """)
    Optional<ProposalRow> newestFile(@Param("job") int job, @Param("kind") String kind);

    @Update("update proposal set request = #{request} where job_id = #{job} and id = #{id} and state = 'OPEN'")
    int choose(@Param("job") int job, @Param("id") int id, @Param("request") String request);

    @Update("""
            update proposal set state = #{state}, ended_at = #{at}
            where job_id = #{job} and id = #{id} and state = 'OPEN'
            """)
    int end(@Param("job") int job, @Param("id") int id, @Param("state") String state, @Param("at") String at);
}
