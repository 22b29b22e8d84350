# frozen_string_literal: true

ENV['BUNDLE_GEMFILE'] ||= File.expand_path('../Gemfile', __dir__)
require 'bundler/setup'
require_relative '../server/documents/sign_off_document'
require_relative '../server/serialisers/sign_off_code'

module Fujin
  module Commands
    # `verify FILE`: was what the school signed altered, whose key signed it, is it the one on the paper, and was it
    # withdrawn?
    class Verify < Command
      def run
        file = @options.rest.first or raise CommandLine::Usage, 'verify needs an exported sign-off'
        verdict = read(file)
        check_code(verdict)
        say(verdict, withdrawal(verdict))
      rescue SignOffDocument::Broken => e
        @err.puts "fujin: #{@file}: #{e.message}"
        1
      end

      private

      # The one that is read is the one that an error names.
      def read(file)
        @file = file
        SignOffDocument.verify(File.read(file, encoding: 'UTF-8'), pinned_key: @options[:key])
      end

      def check_code(verdict)
        asked = @options[:code] or return
        code = Serialisers::SignOffCode.of(verdict.digest)
        return if Serialisers::SignOffCode.read(asked) == Serialisers::SignOffCode.read(code)

        raise SignOffDocument::Broken, "its code is #{code}, not #{asked}: the paper is of another sign-off"
      end

      # From the list that the school exports; without one nothing is known.
      def withdrawal(verdict)
        return unless @options[:withdrawn] && verdict.kind == SignOffDocument::SIGN_OFF

        @list = read(@options[:withdrawn])
        SignOffDocument.withdrawn(@list, verdict)
      end

      def say(verdict, withdrawal)
        text = verdict.pinned ? 'intact, signed by the school named' : 'intact, signer not pinned'
        if @options.json?
          @out.puts JSON.pretty_generate('result' => text, 'hash' => verdict.digest, 'statement' => verdict.statement,
                                         'withdrawn' => withdrawal)
        else
          @out.puts text, about(verdict), *standing(withdrawal)
        end
        withdrawal ? 1 : 0
      end

      def about(verdict)
        statement = verdict.statement
        by = "by #{statement['instructor']} on #{statement['signed_at']}"
        who = "#{statement['student']} · #{statement['manoeuvre']}"
        case verdict.kind
        when SignOffDocument::WITHDRAWAL then "#{who} · withdrawn #{by}: #{statement['reason']}"
        when SignOffDocument::SOLO
          "#{statement['student']} · solo from #{statement['from']} to #{statement['until']} · signed #{by}"
        when SignOffDocument::SOLO_WITHDRAWAL
          "#{statement['student']} · solo authority withdrawn #{by}: #{statement['reason']}"
        when SignOffDocument::NEW_KEY
          "#{statement['school']}: new key #{statement['new_public_key']} from #{statement['signed_at']}" \
            "#{', the old one lost' if statement['lost']}: #{statement['reason']}"
        when SignOffDocument::WITHDRAWN_LIST
          "#{statement['school']}: #{statement['withdrawn'].size} withdrawn up to #{statement['signed_at']}"
        else "#{who} · signed #{by} · code #{Serialisers::SignOffCode.of(verdict.digest)}"
        end
      end

      def standing(withdrawal)
        return [] unless @list
        return ["not withdrawn up to #{@list.statement['signed_at']}"] unless withdrawal

        ["WITHDRAWN by #{withdrawal['instructor']} on #{withdrawal['signed_at']}: #{withdrawal['reason']}"]
      end
    end
  end
end
