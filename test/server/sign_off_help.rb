# frozen_string_literal: true

require 'tmpdir'
require_relative 'command_line_help'

# A student who is ready, signed off, withdrawn, and the files of it checked by the command line.
module SignOffHelp
  include CommandLineHelp

  # Two days, two clean attempts each, graded to standard: ready by the default rule.
  def make_ready(student = @student)
    [24, 25].each_with_index do |day, i|
      flown = sortie(student: student, people_aboard: 'solo', starts_at: Time.utc(2026, 11, day, 10))
      imported(flown, faults: [{}, {}], seed: i + 1)
      flown.attempts.select(&:asked?).each do |attempt|
        attempt.proposal['phases']
          .reject { |p| p['grade'].nil? }
          .each do |phase|
            Fujin::GradeRow.create!(
              id: SecureRandom.uuid,
              attempt: attempt,
              phase: phase['id'],
              kind: 'instructor',
              grade: 3,
              by: @instructor,
              standard_version: 'straight-in-2026.2',
              created_at: Time.now.utc
            )
          end
      end
    end
  end

  def sign(id = SecureRandom.uuid)
    post_json '/api/sign-offs',
              { id: id, student_id: @student.id, manoeuvre: 'straight_in_autorotation', remark: 'Calm and exact.' }
    answer
  end

  # One stands at a time: the one before is withdrawn.
  def sign_anew
    Fujin::SignOff.in_force.each { |row| withdraw(row.id) }
    sign
  end

  def exported(id)
    get "/api/sign-offs/#{id}/document"
    last_response.body
  end

  def verify(text, *options) = fujin('verify', file(text), *options)

  def withdraw(id) = post_json("/api/sign-offs/#{id}/withdrawal", { id: SecureRandom.uuid, reason: 'Wrong student' })

  def file(text) = File.join(Dir.mktmpdir, 'file.json').tap { |path| File.write(path, text) }
end
