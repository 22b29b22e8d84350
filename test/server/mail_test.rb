# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../devices/mailbox'
require 'tmpdir'

# An invitation goes out by SMTP and lies in the stand-in mailbox as a letter that any mail program reads.
class MailTest < Minitest::Test
  include ServerHelp

  def setup
    super
    @folder = Dir.mktmpdir
    @box = Fujin::Devices::Mailbox.open(folder: @folder, port: 0)
    @thread = Thread.new { @box.run }
    ENV['FUJIN_MAIL_PORT'] = @box.port.to_s
  end

  def teardown
    @box.stop
    @thread.join(2)
    ENV.delete('FUJIN_MAIL_PORT')
    FileUtils.rm_rf(@folder)
  end

  def letters = Dir[File.join(@folder, '*.eml')].map { |file| Mail.read(file) }

  def test_an_invitation_arrives_with_its_link
    @student.update!(name: 'Józef Ĝardo', email: 'student@example.invalid')
    as(@chief)
    post_json "/api/people/#{@student.id}/invitation"
    link = answer['link']

    assert_equal 'student@example.invalid', answer['mailed_to']
    work_off
    letter = letters.fetch(0)

    assert_equal [['student@example.invalid'], 'Testing Field: choose your password'], [letter.to, letter.subject]
    [link, 'Józef Ĝardo', 'works once'].each do |words|
      assert_includes letter.body.decoded.force_encoding('UTF-8'), words
    end
  end

  def test_a_line_that_is_a_full_stop_and_one_that_begins_with_it_arrive_whole
    Fujin::SendMail.run('a@example.invalid', 'Stops', "one\n.\n.two\nthree")

    assert_equal "one\n.\n.two\nthree", letters.fetch(0).body.decoded.gsub("\r\n", "\n").strip
  end

  # The job stays in the queue and is tried again: an invitation is not lost with a mail server that is away.
  def test_no_mail_server_fails_the_job_and_not_the_invitation
    @box.stop
    @student.update!(email: 'student@example.invalid')
    as(@chief)
    post_json "/api/people/#{@student.id}/invitation"

    assert_equal 201, status
    assert_raises(SystemCallError) { Fujin::SendMail.run('a@example.invalid', 'Nobody', 'home') }
    assert_equal 1, ActiveRecord::Base.connection.select_value("SELECT count(*) FROM que_jobs WHERE job_class = 'Fujin::SendMail'")
  end
end
